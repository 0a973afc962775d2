using Pravik.Core.Bridges;
using Pravik.Core.Geometry;

namespace Pravik.Core.Places;

/// <summary>The least clearance over a crossing: how much, over which point, and under which girder.</summary>
public sealed record Clearance(double Height, Point At, double Station, double Offset, string Girder);

/// <summary>Finds the least clearance under the girders.</summary>
public static class Clearances
{
    private const int Steps = 400;

    /// <summary>
    /// The least height between a crossing's surface and a girder's soffit within the envelope's width; null where no girder passes
    /// over it. Along
    /// each edge and the middle of the girders' bottom flanges, in steps of a four-hundredth of a span and at the envelope's own edges.
    /// </summary>
    public static Clearance? Least(BridgeGeometry geometry, Crossing crossing)
    {
        var (origin, along, across) = crossing.Place(geometry.Road);
        Clearance? least = null;
        foreach (var (girder, span) in geometry.Pieces)
        {
            var (line, width, run) = (geometry.HaunchOf(girder, span), geometry.SectionOf(girder, span).BottomWidth, girder.In(span));
            foreach (var side in new[] { -0.5, 0, 0.5 })
            {
                Point At(double t) => run.At(t) + side * width * run.Right(t);
                foreach (var t in Places(At))
                {
                    var p = At(t);
                    if (Math.Abs((p - origin).Dot(across)) > crossing.Width / 2 + 1e-9)
                        continue;
                    var height = line.Bottom(t) - crossing.Level - crossing.Grade * (p - origin).Dot(along);
                    if (least is not null && height >= least.Height)
                        continue;
                    var place = geometry.Road.Locate(p);
                    least = new(height, p, place.Station, place.Offset, $"{girder.Name}, span {span + 1}");
                }
            }
        }
        return least;

        // Regular places, and where the line runs over an edge of the envelope, between the places on either side of it.
        IEnumerable<double> Places(Func<double, Point> at)
        {
            double Across(double t) => (at(t) - origin).Dot(across);
            var before = Across(0);
            yield return 0;
            for (var i = 1; i <= Steps; i++)
            {
                var (t, here) = ((double)i / Steps, Across((double)i / Steps));
                foreach (var edge in new[] { -crossing.Width / 2, crossing.Width / 2 })
                {
                    if (here != before && (edge - before) / (here - before) is > 0 and < 1 and var part)
                        yield return t - (1 - part) / Steps;
                }
                yield return t;
                before = here;
            }
        }
    }
}
