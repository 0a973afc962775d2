using System.Collections.Immutable;
using System.Text.Json;
using Pravik.Core.Geometry;

namespace Pravik.Core.Bridges;

/// <summary>
/// A parapet profile: outlines across (from the foot of the traffic face, outward) and up, and its weight per metre where that does not
/// follow from solid concrete.
/// </summary>
public sealed record ParapetProfile(string Name, double? Weight, string Note, ImmutableArray<Polygon> Outlines)
{
    /// <summary>Posts behind the rails, or null.</summary>
    public ParapetPosts? Posts { get; init; }

    /// <summary>The generic profiles that come with the program.</summary>
    public static ImmutableArray<ParapetProfile> Library { get; } = Read();

    /// <summary>Height above the foot (m).</summary>
    public double Height => Outlines.Max(o => o.Top);

    /// <summary>Width from the traffic face to the back (m).</summary>
    public double Width => Outlines.Max(o => o.Points.Max(p => p.X));

    /// <summary>Where its weight acts across: the centroid of the outlines.</summary>
    public double Centre => Outlines.Sum(o => o.Moments().Sy) / Outlines.Sum(o => o.Moments().Area);

    /// <summary>The profile that a parapet names: one of the bridge's own first; null for a name that is not known.</summary>
    public static ParapetProfile? Of(Bridge bridge, Parapet parapet) =>
        bridge.Profiles.FirstOrDefault(p => p.Name == parapet.Profile) is { } own
            ? Of(own)
            : Library.FirstOrDefault(p => p.Name == parapet.Profile);

    /// <summary>A profile of the bridge's own.</summary>
    public static ParapetProfile Of(OwnProfile own) =>
        new(own.Name, own.Weight, "", [new(own.Outline.Select(p => new Point(p.Across, p.Up)))]);

    private static ImmutableArray<ParapetProfile> Read()
    {
        using var stream = typeof(ParapetProfile).Assembly.GetManifestResourceStream("profiles/parapets.json")!;
        return
        [
            .. JsonSerializer
                .Deserialize<Entry[]>(stream, JsonSerializerOptions.Web)!
                .Select(e => new ParapetProfile(e.Name, e.Weight, e.Note, [.. e.Outlines.Select(Outline)])
                {
                    Posts = e.Posts is { } p ? new(p.Spacing, p.Length, Outline(p.Outline)) : null,
                }),
        ];
    }

    private static Polygon Outline(double[][] points) => new(points.Select(p => new Point(p[0], p[1])));

    private sealed record Entry(string Name, double? Weight, string Note, double[][][] Outlines, PostEntry? Posts);

    private sealed record PostEntry(double Spacing, double Length, double[][] Outline);
}

/// <summary>Posts at equal spacing, each of a length along the parapet and an outline across (m).</summary>
public sealed record ParapetPosts(double Spacing, double Length, Polygon Outline);
