using Pravik.Core.Bridges;
using Pravik.Core.Units;
using static Pravik.Core.Entries.Describe;

namespace Pravik.Core.Entries;

/// <summary>Supports, their sizes and choices, and types of bearings.</summary>
internal static class SupportEntries
{
    public static IEnumerable<Entry> All =>
        [
            .. OwnPart(
                "/supports/*",
                s => $"at axis {s[0]}",
                Offer(
                    "follows",
                    "Follows",
                    b =>
                        [
                            new("", "none"),
                            .. Enumerable.Range(1, b.Axes.Spans.Length + 1).Select(n => new Choice($"{n}", $"axis {AxisName(b, n)}")),
                        ],
                    "Another support, whose values this one takes where it has none of its own. Empty: none."
                ) with
                {
                    IsOwn = true,
                    Subject = "Support followed",
                }
            ),
            .. OwnPart(
                "/supports/*/sizes",
                s => $"at axis {s[0]}",
                new Entry("*", "Size", EntryKind.Quantity, QuantityKind.Size)
                {
                    IsOwn = true,
                    IsItem = true,
                    Shaped = Size,
                }
            ),
            .. OwnPart(
                "/supports/*/choices",
                s => $"at axis {s[0]}",
                new Entry("*", "Choice", EntryKind.Choice)
                {
                    IsOwn = true,
                    IsItem = true,
                    Shaped = SupportChoice,
                }
            ),
            .. Part("/bearings/*", s => $"of bearing type {s.Number(0)}", Bearing),
        ];

    private static string AxisName(Bridge bridge, int number) => bridge.Axes.Own.GetValueOrDefault($"{number}")?.Name ?? $"{number}";

    private static Entry? Size(Entry entry, Stars stars) =>
        SupportValues.AllSizes.FirstOrDefault(s => s.Name == stars[1]) is { } size
            ? entry with
            {
                Name = size.Words,
                Quantity = size.Kind,
                Help = size.Help,
                Least = size.Least,
                Greatest = size.Greatest,
            }
            : null;

    private static Entry? SupportChoice(Entry entry, Stars stars)
    {
        if (stars[1].StartsWith("bearing", StringComparison.Ordinal))
            return entry with { Name = "Bearing", Choices = [.. Named(stars.Bridge!.Bearings, b => b.Name)] };
        return SupportValues.AllChoices.FirstOrDefault(c => c.Name == stars[1]) is { } choice
            ? entry with
            {
                Name = choice.Words,
                Help = choice.Help,
                Choices = [.. choice.Values.Select(v => new Choice(v.Value, v.Words))],
            }
            : null;
    }

    private static IEnumerable<Entry> Bearing =>
        [
            Text("name", "Name"),
            Choose(
                "freedom",
                "Freedom",
                [
                    new("fixed", "Fixed"),
                    new("guidedAlong", "Moves along"),
                    new("guidedAcross", "Moves across"),
                    new("free", "Free"),
                    new("elastomeric", "Elastomeric"),
                    new("springs", "Own springs"),
                ]
            ),
            Value("length", "Length", QuantityKind.Size, 0.05, 3, "Along the girder, over the rubber."),
            Value("width", "Width", QuantityKind.Size, 0.05, 3, "Across the girder."),
            Value("height", "Height", QuantityKind.Size, 0.01, 1, "Over all."),
            Value("layers", "Inner layers of rubber", QuantityKind.Count, 1, 60, "Between the plates, of which there is one more."),
            Value("layerThickness", "Thickness of one", QuantityKind.Size, 0.003, 0.05, "Of an inner layer, t i.") with
            {
                Subject = "Thickness of an inner layer",
            },
            Value("plateThickness", "Plates", QuantityKind.Size, 0.001, 0.02, "Thickness of each steel plate.") with
            {
                Subject = "Thickness of the plates",
            },
            Value(
                "outerLayer",
                "Outer layers",
                QuantityKind.Size,
                0,
                0.02,
                "Rubber above and below the plates; in compression it counts from 3 mm on."
            ) with
            {
                Subject = "Thickness of the outer layers",
            },
            Value(
                "edgeCover",
                "Rubber around plates",
                QuantityKind.Size,
                0,
                0.02,
                "How far the plates lie within the plan size; 4 mm at least."
            ),
            Value("shearModulus", "Shear modulus", QuantityKind.Stress, 0.5e6, 2e6, "0.7, 0.9 or 1.15 MPa (EN 1337-3 4.3.1.1)."),
            Value("along", "Stiffness along", QuantityKind.LineLoad, 0, 1e12),
            Value("across", "Stiffness across", QuantityKind.LineLoad, 0, 1e12),
            Value("upright", "Stiffness upright", QuantityKind.LineLoad, 0, 1e12),
        ];
}
