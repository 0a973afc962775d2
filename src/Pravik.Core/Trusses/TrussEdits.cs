using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Trusses;

/// <summary>What drawing does to a scheme: joints and bars that come, go and move, on one side or on both.</summary>
public static class TrussEdits
{
    /// <summary>Within this a place is that of a joint (m).</summary>
    private const double Near = 0.02;

    /// <summary>
    /// A scheme with a joint at a place, and its mirror image where wanted; a joint that lies there already stays the one.
    /// </summary>
    public static (TrussScheme Scheme, string Id) Joint(TrussScheme scheme, double x, double z, bool mirrors)
    {
        var (drawn, id) = AtPlace(scheme, new(x, z));
        return (mirrors ? AtPlace(drawn, Mirrored(scheme, new(x, z))).Scheme : drawn, id);
    }

    /// <summary>
    /// A scheme with bars from joint to joint along a line of joints; joints that lie on the way are joined too. Bars that there are stay.
    /// </summary>
    /// <param name="scheme">The scheme.</param>
    /// <param name="joints">Ids in order; those that there are not are passed over.</param>
    /// <param name="like">Section of new bars.</param>
    /// <param name="mirrors">Whether their mirror images are drawn too, where both joints have one.</param>
    public static TrussScheme Join(TrussScheme scheme, IReadOnlyList<string> joints, TrussBar like, bool mirrors)
    {
        var at = Places(scheme);
        List<TrussBar> bars = [.. scheme.Bars];
        foreach (var (from, to) in joints.Where(at.ContainsKey).Zip(joints.Where(at.ContainsKey).Skip(1)))
        {
            var way = Between(at, from, to);
            foreach (var (a, b) in way.Zip(way.Skip(1)))
            {
                Add(a, b);
                if (mirrors && Image(scheme, at, a) is { } c && Image(scheme, at, b) is { } d)
                    Add(c, d);
            }
        }
        return scheme with { Bars = [.. bars] };

        void Add(string a, string b)
        {
            if (a != b && !bars.Exists(x => x.Ends == TrussBar.Pair(a, b)))
                bars.Add(like with { From = a, To = b, Locked = false });
        }
    }

    /// <summary>A scheme with a joint moved, and its mirror image alike; those of the site stay.</summary>
    public static TrussScheme Move(TrussScheme scheme, string id, double x, double z, bool mirrors)
    {
        var image = mirrors ? Image(scheme, Places(scheme), id) : null;
        Point to = new(x, z);
        // One on the middle stays there.
        if (image == id)
            to = new(scheme.Site.Opening / 2, z);
        var other = Mirrored(scheme, to);
        return scheme with
        {
            Joints =
            [
                .. scheme.Joints.Select(j =>
                    j.Id == id ? j with { X = Round(to.X), Z = Round(to.Y) }
                    : j.Id == image ? j with { X = Round(other.X), Z = Round(other.Y) }
                    : j
                ),
            ],
        };
    }

    /// <summary>A scheme without some joints, the bars at them, and some bars; their mirror images go too where wanted.</summary>
    public static TrussScheme Delete(TrussScheme scheme, IReadOnlyCollection<string> joints, IReadOnlyCollection<int> bars, bool mirrors)
    {
        var at = Places(scheme);
        HashSet<string> gone = [.. joints.Where(j => !SitePlaces.IsReserved(j))];
        HashSet<(string, string)> away = [.. bars.Where(b => b >= 0 && b < scheme.Bars.Length).Select(b => scheme.Bars[b].Ends)];
        if (mirrors)
        {
            gone.UnionWith(gone.Select(j => Image(scheme, at, j)).OfType<string>().Where(j => !SitePlaces.IsReserved(j)).ToArray());
            foreach (var (a, b) in away.ToArray())
            {
                if (Image(scheme, at, a) is { } c && Image(scheme, at, b) is { } d)
                    away.Add(TrussBar.Pair(c, d));
            }
        }
        return scheme with
        {
            Joints = [.. scheme.Joints.Where(j => !gone.Contains(j.Id))],
            Bars = [.. scheme.Bars.Where(b => !gone.Contains(b.From) && !gone.Contains(b.To) && !away.Contains(b.Ends))],
        };
    }

    /// <summary>Bars one size up or down in their families; at the end of a family they stay. Sizes go by area.</summary>
    public static TrussScheme Step(TrussScheme scheme, IReadOnlyCollection<int> bars, int by) =>
        Changed(
            scheme,
            bars,
            bar =>
            {
                var sizes = BarCatalogue.SectionsOf(scheme, bar.Family).OrderBy(s => s.Area).Select(s => s.Name).ToList();
                var now = sizes.IndexOf(bar.Size);
                return now < 0 ? bar : bar with { Size = sizes[Math.Clamp(now + by, 0, sizes.Count - 1)] };
            }
        );

    /// <summary>Bars of another family, each with the size whose area is nearest to what it had.</summary>
    public static TrussScheme OfFamily(TrussScheme scheme, IReadOnlyCollection<int> bars, string family) =>
        Changed(
            scheme,
            bars,
            bar =>
            {
                var area = BarCatalogue.Section(scheme, bar.Family, bar.Size)?.Area ?? 0;
                var nearest = BarCatalogue.SectionsOf(scheme, family).MinBy(s => Math.Abs(s.Area - area));
                return nearest is null ? bar : bar with { Family = family, Size = nearest.Name };
            }
        );

    /// <summary>A scheme with some bars changed.</summary>
    public static TrussScheme Changed(TrussScheme scheme, IReadOnlyCollection<int> bars, Func<TrussBar, TrussBar> change) =>
        scheme with
        {
            Bars = [.. scheme.Bars.Select((b, i) => bars.Contains(i) ? change(b) : b)],
        };

    /// <summary>Where every joint lies, by id.</summary>
    public static Dictionary<string, Point> Places(TrussScheme scheme)
    {
        var at = new SitePlaces(scheme.Site).Joints.ToDictionary(j => j.Id, j => j.At);
        foreach (var joint in scheme.Joints)
            at.TryAdd(joint.Id, new(joint.X, joint.Z));
        return at;
    }

    private static (TrussScheme Scheme, string Id) AtPlace(TrussScheme scheme, Point place)
    {
        if (Places(scheme).FirstOrDefault(p => Point.Distance(p.Value, place) < Near) is { Key: { } there })
            return (scheme, there);
        var number = 1;
        while (scheme.Joints.Any(j => j.Id == $"J{number}"))
            number++;
        TrussJoint joint = new()
        {
            Id = $"J{number}",
            X = Round(place.X),
            Z = Round(place.Y),
        };
        return (scheme with { Joints = scheme.Joints.Add(joint) }, joint.Id);
    }

    /// <summary>The joints on the way from one to another, both with it.</summary>
    private static List<string> Between(Dictionary<string, Point> at, string from, string to)
    {
        var (a, b) = (at[from], at[to]);
        return
        [
            .. at.Where(p => p.Key == from || p.Key == to || Segments.Distance(p.Value, a, b) < Near)
                .OrderBy(p => (p.Value - a).Dot(b - a))
                .Select(p => p.Key),
        ];
    }

    private static string? Image(TrussScheme scheme, Dictionary<string, Point> at, string id) =>
        at.TryGetValue(id, out var place) ? at.FirstOrDefault(p => Point.Distance(p.Value, Mirrored(scheme, place)) < Near).Key : null;

    private static Point Mirrored(TrussScheme scheme, Point at) => new(scheme.Site.Opening - at.X, at.Y);

    private static double Round(double x) => Math.Round(x, 4);
}
