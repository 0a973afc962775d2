using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>
/// Puts load model 1 and footway load where they are worst for an influence surface. Notional lanes may lie anywhere in the
/// carriageway without overlapping (steps of 0.25 m from both kerbs), in any order; each carries one whole tandem along its middle
/// or none; distributed loads act on adverse parts only (EN 1991-2 4.2.3, 4.2.4, 4.3.2).
/// </summary>
public sealed class TrafficPlacement
{
    private readonly Grillage grillage;
    private readonly NationalValues values;
    private readonly LoadModel1 model;
    private readonly CarriagewayPart carriageway;
    private readonly TandemTracks tracks;
    private readonly DeckLine[] cells;
    private readonly double cellWidth;
    private readonly (DeckLine Line, double Width)[] footways;

    /// <summary>Throws <see cref="ArgumentException"/> for a bridge without carriageway, which validation refuses.</summary>
    public TrafficPlacement(Grillage grillage, BridgeGeometry geometry, NationalValues values)
    {
        this.grillage = grillage;
        this.values = values;
        model = LoadModel1.Of(values);
        carriageway = geometry.WidestCarriageway ?? throw new ArgumentException("The deck has no carriageway.", nameof(geometry));
        tracks = new(grillage, geometry, carriageway, NotionalLanes.On(carriageway.Width, values["laneWidth"]));
        var count = (int)Math.Ceiling(carriageway.Width / 0.25 - 1e-9);
        cellWidth = carriageway.Width / count;
        cells = DeckLine.Cells(grillage.Mesh, geometry, carriageway.From, carriageway.To, count);
        footways =
        [
            .. geometry.Units.SelectMany(unit =>
                unit.Shape.At(unit.Start.Station)
                    .Strips.Select((strip, i) => (strip, i))
                    .Where(s => s.strip.Kind == StripKind.Footway)
                    .SelectMany(s =>
                    {
                        // Where a footway widens its greatest width loads it all along the unit.
                        var width = unit.Stations(40).Max(at => unit.Shape.Boundary(s.i + 1, at) - unit.Shape.Boundary(s.i, at));
                        var pieces = Math.Max(2, (int)Math.Ceiling(width / 0.25));
                        return DeckLine.Cells(grillage.Mesh, geometry, unit, s.i, pieces).Select(line => (line, width / pieces));
                    })
            ),
        ];
    }

    public TrafficRange Worst(InfluenceSurface surface)
    {
        var section = grillage.NodeAt(surface.Point.Girder + 1, surface.Point.Line);
        var (positive, negative) = Areas(surface, section);
        var (best, worst) = Tandems(surface, section);
        var (psiTandem, psiLane) = (values["psi1tandem"], values["psi1lane"]);
        double footMax = 0,
            footMin = 0;
        foreach (var (line, width) in footways)
        {
            var parts = new SurfaceProfile(surface, line, section).Parts(line);
            footMax += parts.Positive * width;
            footMin += parts.Negative * width;
        }
        return new(
            Arrange(positive, best, 1, 1, 1),
            Arrange(negative, worst, -1, 1, 1),
            Arrange(positive, best, 1, psiTandem, psiLane),
            Arrange(negative, worst, -1, psiTandem, psiLane),
            footMax,
            footMin
        );
    }

    /// <summary>Adverse integrals from the left kerb to each cell boundary, for both signs.</summary>
    private (double[] Positive, double[] Negative) Areas(InfluenceSurface surface, int section)
    {
        var (positive, negative) = (new double[cells.Length + 1], new double[cells.Length + 1]);
        for (var i = 0; i < cells.Length; i++)
        {
            var parts = new SurfaceProfile(surface, cells[i], section).Parts(cells[i]);
            positive[i + 1] = positive[i] + parts.Positive * cellWidth;
            negative[i + 1] = negative[i] + parts.Negative * cellWidth;
        }
        return (positive, negative);
    }

    /// <summary>For each lane place, the greatest and least sum of ordinates under the four wheels, and where.</summary>
    private ((double Sum, double Station)[] Best, (double Sum, double Station)[] Worst) Tandems(InfluenceSurface surface, int section)
    {
        var profiles = Array.ConvertAll(tracks.Lines, line => new SurfaceProfile(surface, line, section));
        var (best, worst) = (new (double, double)[tracks.Tracks.Count], new (double, double)[tracks.Tracks.Count]);
        var jumps = surface.Jump != (0, 0);
        for (var i = 0; i < best.Length; i++)
        {
            var track = tracks.Tracks[i];
            var (left, right) = (profiles[track.LeftLine], profiles[track.RightLine]);
            (double Sum, double Station) high = (0, double.NaN),
                low = (0, double.NaN);
            foreach (ref readonly var place in track.Places.AsSpan())
            {
                if (place.Behind && !jumps)
                    continue;
                var sum = place.Sum(left, right);
                if (sum > high.Sum)
                    high = (sum, place.Station);
                if (sum < low.Sum)
                    low = (sum, place.Station);
            }
            (best[i], worst[i]) = (high, low);
        }
        return (best, worst);
    }

    /// <summary>
    /// The best set of lanes that do not overlap, by dynamic programming from the right kerb: best[i, m] is the most that lanes
    /// placed at place i or further right can add when those in the bit set m are still to be placed.
    /// </summary>
    private TrafficEffect Arrange(
        double[] cumulative,
        (double Sum, double Station)[] tandems,
        int sign,
        double tandemWeight,
        double laneWeight
    )
    {
        var places = tracks.Tracks;
        var width = tracks.Lanes.Width;
        var numbers = Math.Min(3, tracks.Lanes.Count);
        var sets = 1 << numbers;
        var gain = new double[places.Count + 1, sets];
        var choice = new int[places.Count, sets];
        var next = new int[places.Count];
        for (int i = places.Count - 1, n = places.Count; i >= 0; i--)
        {
            while (n > 0 && places[n - 1].From >= places[i].From + width - 1e-6)
                n--;
            next[i] = n;
            var area = Adverse(cumulative, places[i].From, width);
            for (var set = 0; set < sets; set++)
            {
                gain[i, set] = gain[i + 1, set];
                choice[i, set] = -1;
                for (var lane = 0; lane < numbers; lane++)
                {
                    if ((set & (1 << lane)) == 0)
                        continue;
                    var added =
                        sign * (tandemWeight * model.Axle[lane] / 2 * tandems[i].Sum + laneWeight * (model.Lane[lane] - model.Rest) * area)
                        + gain[n, set & ~(1 << lane)];
                    if (added <= gain[i, set] + 1e-9 * Math.Abs(added))
                        continue;
                    gain[i, set] = added;
                    choice[i, set] = lane;
                }
            }
        }
        double tandem = 0,
            distributed = model.Rest * cumulative[^1];
        var loaded = ImmutableArray.CreateBuilder<LoadedLane>();
        for (int i = 0, set = sets - 1; i < places.Count && set != 0; )
        {
            var lane = choice[i, set];
            if (lane < 0)
            {
                i++;
                continue;
            }
            tandem += model.Axle[lane] / 2 * tandems[i].Sum;
            distributed += (model.Lane[lane] - model.Rest) * Adverse(cumulative, places[i].From, width);
            loaded.Add(new(lane + 1, places[i].From, width, double.IsNaN(tandems[i].Station) ? null : tandems[i].Station));
            set &= ~(1 << lane);
            i = next[i];
        }
        return new(tandem, distributed, loaded.ToImmutable());
    }

    private double Adverse(double[] cumulative, double from, double width) =>
        Interpolate(cumulative, from + width) - Interpolate(cumulative, from);

    private double Interpolate(double[] cumulative, double offset)
    {
        var place = Math.Clamp((offset - carriageway.From) / cellWidth, 0, cells.Length);
        var cell = Math.Min((int)place, cells.Length - 1);
        return cumulative[cell] + (place - cell) * (cumulative[cell + 1] - cumulative[cell]);
    }
}
