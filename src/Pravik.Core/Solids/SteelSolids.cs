using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Sections;

namespace Pravik.Core.Solids;

/// <summary>
/// Strands, bars along and tendons of girders in space, each row one solid of square rods whose diagonal is the diameter. Debonded lengths
/// are not told apart; bars of the slab, bars over piers and links are left out.
/// </summary>
public sealed class SteelSolids(BridgeGeometry geometry)
{
    private const double LongestPiece = 3;

    /// <summary>All of them; none in girders of steel.</summary>
    public IEnumerable<PartSolid> All() =>
        geometry.Pieces.Where(p => !geometry.SectionOf(p.Girder, p.Span).IsSteel).SelectMany(p => In(p.Girder, p.Span));

    private IEnumerable<PartSolid> In(GirderLine girder, SpanIndex span)
    {
        var (type, (from, to), length) = (geometry.TypeOf(girder, span), geometry.EndsOf(girder, span), girder.SpanLength(span));
        var (steel, bridge) = (PrestressingSteel.Of(geometry.Bridge.Materials.Strand), geometry.Bridge);
        PartSolid Named(SolidKind kind, string what, Solid solid) =>
            new(PartPath.Girder(girder, span), kind, $"{what} of {girder.Name}, span {span + 1}", solid);
        for (var i = 0; !bridge.Girders.CastInPlace && i < type.Strands.Rows.Length; i++)
        {
            var row = type.Strands.Rows[i];
            double Level(double t) => row.LevelAt((t - from) * length, (to - from) * length);
            var across = Enumerable.Range(0, row.Count).Select(n => (n - (row.Count - 1) / 2.0) * row.Spacing);
            if (row.Count > 0)
                yield return Named(
                    SolidKind.Strands,
                    $"Strands, row {i + 1}",
                    Rods(girder, span, (from, to), across, Level, steel.Diameter)
                );
        }
        for (var i = 0; i < type.Bars.Length; i++)
        {
            var row = type.Bars[i];
            var made = geometry.SectionOf(girder, span, (row.From + row.To) / 2);
            foreach (var run in row.In(made))
            {
                var (begin, end) = (Math.Max(from, run.From), Math.Min(to, run.To));
                if (run.Count > 0 && begin < end)
                    yield return Named(
                        SolidKind.Bars,
                        $"Bars, row {i + 1}{(run.IsSecond ? ", every second" : "")}",
                        Rods(girder, span, (begin, end), run.Across(made), _ => row.Level, row.Diameter)
                    );
            }
        }
        foreach (var tendon in bridge.Girders.Tendons)
        {
            if (TendonPath.Of(geometry, tendon, girder) is not { } path)
                continue;
            List<double> passed = [.. Along(girder, span, 0, 1).Where(t => path.Passes(span, t))];
            if (passed.Count < 2)
                continue;
            var across = DuctPlaces.Of(geometry.SectionOf(girder, span, 0.5), tendon.Ducts);
            yield return Named(
                SolidKind.Tendons,
                tendon.Name,
                Rods(girder, span, (passed[0], passed[^1]), across, t => path.LevelAt(span, t), tendon.DuctDiameter)
            );
        }
    }

    /// <summary>Rods side by side between two parts of a span, at a level above the soffit.</summary>
    private Solid Rods(
        GirderLine girder,
        SpanIndex span,
        (double From, double To) ends,
        IEnumerable<double> across,
        Func<double, double> level,
        double diameter
    )
    {
        var (points, triangles) = (ImmutableArray.CreateBuilder<Point3>(), ImmutableArray.CreateBuilder<int>());
        List<double> places = [.. Along(girder, span, ends.From, ends.To)];
        foreach (var x in across)
        {
            var rod = Solid.Lead([.. places.Select(t => Ring(girder, span, t, x, level(t), diameter / 2))], [0, 1, 2, 0, 2, 3]);
            var first = points.Count;
            triangles.AddRange(rod.Triangles.Select(n => n + first));
            points.AddRange(rod.Points);
        }
        return new(points.ToImmutable(), triangles.ToImmutable());
    }

    private Point3[] Ring(GirderLine girder, SpanIndex span, double t, double x, double level, double half)
    {
        var soffit = geometry.HaunchOf(girder, span).Top(t) - geometry.SectionOf(girder, span, t).Depth;
        Point3 At(double right, double up)
        {
            var p = geometry.OnGirder(girder, span, t) + (x + right) * girder.In(span).Right(t);
            return new(p.X, p.Y, soffit + level + up);
        }
        return [At(half, 0), At(0, half), At(-half, 0), At(0, -half)];
    }

    private static IEnumerable<double> Along(GirderLine girder, SpanIndex span, double from, double to)
    {
        var pieces = Math.Max(4, (int)Math.Ceiling((to - from) * girder.SpanLength(span) / LongestPiece));
        return Enumerable.Range(0, pieces + 1).Select(i => from + (to - from) * i / pieces);
    }
}
