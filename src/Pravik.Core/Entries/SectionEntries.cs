using Pravik.Core.Sections;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Sections of members: families, sizes, own outlines.</summary>
internal static class SectionEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. Part(
                "/sections/*",
                s => $"of section {s.Number(0)}",
                Text("name", "Name"),
                Choose(
                    "family",
                    "Family",
                    [.. SectionFamily.All.Select(f => new Choice(f.Name, f.Words))],
                    "Sizes of other families are kept."
                ),
                Flag("superseded", "State", "current", "superseded"),
                new Entry("sizes/*", "Size", EntryKind.Quantity, QuantityKind.Size)
                {
                    IsOwn = true,
                    IsItem = true,
                    Help = "Empty: the usual size of the family.",
                    Shaped = Size,
                }
            ),
            .. Part(
                "/sections/*/outlines/*",
                s => $"of outline {s.Number(1)}, section {s.Number(0)}",
                Flag("isVoid", "It is", "filled", "a void") with
                {
                    Subject = "Filling",
                },
                Value(
                    "weight",
                    "Ratio of moduli",
                    QuantityKind.Number,
                    0.01,
                    100,
                    "Modulus of this part over that of the section's material."
                )
            ),
            .. Part(
                "/sections/*/outlines/*/corners/*",
                s => $"of corner {s.Number(2)}, outline {s.Number(1)}, section {s.Number(0)}",
                Coordinates
            ),
            .. Part(
                "/sections/*/stressPoints/*",
                s => $"of stress point {s.Number(1)}, section {s.Number(0)}",
                [Text("name", "Name", 30), .. Coordinates]
            ),
        ];

    private static IEnumerable<Entry> Coordinates =>
        [
            Value("x", "Across", QuantityKind.Size, -50, 50) with
            {
                Subject = "Place across",
            },
            Value("y", "Up", QuantityKind.Size, -50, 50) with
            {
                Subject = "Height",
            },
        ];

    /// <summary>A size of a section has the words, the kind and the bounds that its family gives it.</summary>
    private static Entry? Size(Entry entry, Stars stars) =>
        stars.Of(0, stars.Bridge!.Sections) is { } section
        && SectionFamily.Named(section.Family)?.Sizes.FirstOrDefault(s => s.Name == stars[1]) is { } size
            ? entry with
            {
                Name = size.Words,
                Quantity = size.IsCount ? QuantityKind.Count : QuantityKind.Size,
                Help = size.Help,
                Least = size.Least,
                Greatest = size.Greatest,
            }
            : null;
}
