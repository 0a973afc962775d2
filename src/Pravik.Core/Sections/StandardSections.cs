using System.Collections.Immutable;
using System.Text.Json;

namespace Pravik.Core.Sections;

/// <summary>
/// Published shapes: I-girders of AASHTO, types II to VI, by the sizes in inches of PCI Bridge Design Manual, Appendix B. Their areas,
/// centroids and
/// second moments are held against the published ones by a test.
/// </summary>
public static class StandardSections
{
    private const double Inch = 0.0254;

    /// <summary>The published shapes.</summary>
    public static ImmutableArray<SectionShape> All { get; } = Read();

    private static ImmutableArray<SectionShape> Read()
    {
        using var stream = typeof(StandardSections).Assembly.GetManifestResourceStream("sections/standard.json")!;
        return
        [
            .. JsonSerializer
                .Deserialize<Entry[]>(stream, JsonSerializerOptions.Web)!
                .Select(e => new SectionShape
                {
                    Name = e.Name,
                    Family = "twoSlopeGirder",
                    Sizes = e.Inches.ToImmutableSortedDictionary(s => s.Key, s => s.Value * Inch),
                }),
        ];
    }

    private sealed record Entry(string Name, Dictionary<string, double> Inches);
}
