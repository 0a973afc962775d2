using System.Collections.Immutable;
using Pravik.Core.Findings;
using Pravik.Core.Roads;

namespace Pravik.Exchange.LandXml;

/// <summary>A profile that was read: its name and points.</summary>
public sealed record NamedProfile(string Name, ImmutableArray<ProfilePoint> Points);

/// <summary>A ground surface that was read.</summary>
public sealed record NamedGround(string Name, Ground Ground);

/// <summary>
/// An alignment: its road (line, crossfalls, equations; the first profile), all its profiles, and what was found while reading. With an
/// error
/// the road is null: a line with a gap is never given.
/// </summary>
public sealed record ReadAlignment(string Name, Road? Road, ImmutableArray<NamedProfile> Profiles, ImmutableArray<Finding> Findings)
{
    /// <summary>The road with the profile of that name; the first one for null; null where there is no road or no such profile.</summary>
    public Road? With(string? profile)
    {
        if (profile is null || Road is null)
            return Road;
        return Profiles.FirstOrDefault(p => p.Name == profile) is { } found ? Road with { Profile = found.Points } : null;
    }
}

/// <summary>
/// What a road file holds: alignments, grounds, the unit it was in (m), what was passed over and how often, and findings on the file.
/// </summary>
public sealed record RoadFile(
    ImmutableArray<ReadAlignment> Alignments,
    ImmutableArray<NamedGround> Grounds,
    double Unit,
    ImmutableSortedDictionary<string, int> Skipped,
    ImmutableArray<Finding> Findings
)
{
    /// <summary>Other lines of the file: kerbs, edges, walls.</summary>
    public ImmutableArray<RoadFeature> Lines { get; init; } = [];

    /// <summary>All that a strip or parapet could follow beside a road: the other lines, and the alignments but that one.</summary>
    public IEnumerable<RoadFeature> LinesBeside(string alignment) =>
        Lines.Concat(
            Alignments.Where(a => a.Road is not null && a.Name != alignment && Lines.All(l => l.Name != a.Name)).Select(a => Line(a.Road!))
        );

    private static RoadFeature Line(Road road) =>
        new()
        {
            Name = road.Name,
            Elements = road.Elements.SetItem(0, road.Elements[0] with { Start = new(road.StartEast, road.StartNorth, road.Azimuth) }),
        };

    /// <summary>A file of which nothing can be taken, and why.</summary>
    public static RoadFile Refused(Finding finding) => new([], [], 1, ImmutableSortedDictionary<string, int>.Empty, [finding]);

    /// <summary>Findings of the file and of all in it.</summary>
    public IEnumerable<Finding> AllFindings => Findings.Concat(Alignments.SelectMany(a => a.Findings));
}
