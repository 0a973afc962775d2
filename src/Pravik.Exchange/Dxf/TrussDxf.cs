using Pravik.Core.Geometry;
using Pravik.Core.Trusses;

namespace Pravik.Exchange.Dxf;

/// <summary>
/// A truss scheme from the side as DXF, to true scale in metres: axes of bars by their section, outlines to their depth, joints,
/// ground.
/// </summary>
public static class TrussDxf
{
    /// <summary>The scheme as a file.</summary>
    public static string Write(TrussScheme scheme)
    {
        var (file, places, at) = (new DxfWriter(), new SitePlaces(scheme.Site), TrussEdits.Places(scheme));
        file.Layer("ground", 8);
        file.Layer("deck", 5);
        file.Layer("joints", 1);
        file.Layer("names", 3);
        file.Polyline("ground", [.. places.Dug.Select(p => (p.X, p.Y))]);
        file.Line("deck", 0, scheme.Site.Road, scheme.Site.Opening, scheme.Site.Road);
        for (var b = 0; b < scheme.Bars.Length; b++)
        {
            var bar = scheme.Bars[b];
            if (
                !at.TryGetValue(bar.From, out var from)
                || !at.TryGetValue(bar.To, out var to)
                || Point.Distance(from, to) < SitePlaces.Same
            )
                continue;
            file.Line($"axes {Ascii(bar.Size)} {bar.Grade}", from.X, from.Y, to.X, to.Y);
            var along = to - from;
            var half = (BarCatalogue.Section(scheme, bar.Family, bar.Size)?.Depth ?? 0) / 2;
            var across = half / along.Length * new Point(-along.Y, along.X);
            file.Line("outlines", (from + across).X, (from + across).Y, (to + across).X, (to + across).Y);
            file.Line("outlines", (from - across).X, (from - across).Y, (to - across).X, (to - across).Y);
            var middle = Point.Between(from, to, 0.5);
            file.Text("names", middle.X, middle.Y, 0.2, $"{b + 1}");
        }
        foreach (var (id, place) in at)
        {
            file.Circle("joints", place.X, place.Y, 0.1);
            file.Text("names", place.X + 0.15, place.Y + 0.15, 0.25, id);
        }
        return file.Finish();
    }

    private static string Ascii(string size) => size.Replace('×', 'x').Replace(" ", "");
}
