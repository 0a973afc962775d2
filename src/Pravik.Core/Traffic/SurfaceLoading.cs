using System.Collections.Immutable;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>
/// Puts a traffic model where it is worst for an influence surface: lanes that do not overlap, each with the worst of its loads, the
/// factors by their number, and loads on adverse parts. Which model it is stands in the data alone.
/// </summary>
internal sealed class SurfaceLoading
{
    private const double CellWidth = 0.25;
    private readonly TrafficModel model;
    private readonly LanePositions positions;
    private readonly LineGrid grid;
    private readonly List<DeckLine> lines;
    private readonly List<(int Carriageway, double From, double Width, int Line)> cells = [];

    public SurfaceLoading(TrafficModel model, BridgeGeometry geometry, DeckMesh mesh)
    {
        this.model = model;
        DeckLine At(double offset) => DeckLine.At(mesh, geometry, offset);
        positions = new(model, geometry.Carriageways, At);
        lines = [.. positions.Lines];
        for (var c = 0; c < geometry.Carriageways.Length; c++)
        {
            var carriageway = geometry.Carriageways[c];
            var count = (int)Math.Ceiling(carriageway.Width / CellWidth - 1e-9);
            var width = carriageway.Width / count;
            for (var i = 0; i < count; i++)
            {
                cells.Add((c, carriageway.From + i * width, width, lines.Count));
                lines.Add(At(carriageway.From + (i + 0.5) * width));
            }
        }
        grid = new(mesh, lines);
    }

    /// <summary>A surface ready to be loaded.</summary>
    public Surface Cut(InfluenceSurface surface, Workspace workspace) => new(this, grid.Cut(surface, workspace));

    /// <summary>A surface cut along the lines, with profiles along wheel lines as they are asked for.</summary>
    internal sealed class Surface(SurfaceLoading owner, SurfaceCut cut)
    {
        private readonly Dictionary<LanePositions.WheelRun, LineProfile> profiles = [];

        public SurfaceCut Cut => cut;

        public LineProfile Along(LanePositions.WheelRun run) =>
            profiles.TryGetValue(run, out var known) ? known : profiles[run] = owner.Profile(cut, run);
    }

    /// <summary>The worst loading for the greatest or the least value, and what it does to other surfaces.</summary>
    /// <param name="surface">The surface.</param>
    /// <param name="greatest">Which value is sought.</param>
    /// <param name="isOverPier">Whether loads for hogging moments and reactions of piers apply.</param>
    /// <param name="others">Surfaces of effects that are told beside it.</param>
    /// <param name="workspace">Arrays of this thread.</param>
    public PlacedTraffic Worst(
        Surface surface,
        bool greatest,
        bool isOverPier,
        IReadOnlyDictionary<SurveyEffect, Surface> others,
        Workspace workspace
    )
    {
        var sign = greatest ? 1 : -1;
        var parts = cells.Count == 0 ? null : surface.Cut.Parts(cells[0].Line, sign, workspace);
        double[] adverse = [.. cells.Select(c => parts!.Of(surface.Cut, c.Line))];
        var gains = positions
            .All.Select(p => model.Kinds.Select((kind, k) => WorstOf(kind, k, p, surface, adverse, greatest, isOverPier)).ToArray())
            .ToArray();
        var rest = model.Rest * cells.Select((c, i) => c.Width * adverse[i]).Sum();
        var (lanes, presence, sum) = new LaneArrangement(model, positions, sign).Worst(gains);
        var together = others.ToImmutableDictionary(o => o.Key, o => Over(o.Value, parts, lanes, presence));
        return new(presence * sum + rest, presence, model.Rest, lanes, together);
    }

    /// <summary>The worst of a kind's loads at a place; null where none is worse than nothing.</summary>
    private (double Value, PlacedLane Lane)? WorstOf(
        LaneKind kind,
        int number,
        LanePositions.Position place,
        Surface surface,
        double[] adverse,
        bool greatest,
        bool isOverPier
    )
    {
        var sign = greatest ? 1 : -1;
        (double Value, PlacedLane Lane)? worst = null;
        var lane = Area(place.Carriageway, place.From, place.To, adverse);
        foreach (var load in kind.Loads.Where(l => isOverPier || !l.OnlyOverPiers))
        {
            var (onLines, run) = AlongWheels(load, place, surface, greatest);
            var strip = load.LineWidth > 0 && load.Line > 0 ? Strip(load, place, adverse, sign) : null;
            var value =
                load.Factor
                * (
                    load.Dynamic * (onLines?.Value ?? 0)
                    + load.Area * lane
                    + (strip is { } s ? s.Load * Area(place.Carriageway, s.From, s.From + s.Width, adverse) : 0)
                );
            // What it takes the place of on the rest of the carriageway.
            value -= model.Rest * lane;
            if (sign * value <= 0 || sign * value <= sign * (worst?.Value ?? 0))
                continue;
            worst = (
                value,
                new(number + 1, place.From, place.Width, load.Name, load.Factor, load.Dynamic)
                {
                    Vehicle = onLines,
                    Offset = run?.Middle ?? place.From + place.Width / 2,
                    Run = run,
                    Area = load.Area,
                    Strip = strip,
                }
            );
        }
        return worst;
    }

    /// <summary>The vehicle and what goes along its wheel lines, where it is worst within the lane.</summary>
    private static (PlacedVehicle?, LanePositions.WheelRun?) AlongWheels(
        LaneLoad load,
        LanePositions.Position place,
        Surface surface,
        bool greatest
    )
    {
        var sign = greatest ? 1 : -1;
        var line = load.LineWidth > 0 ? 0 : load.Line;
        (PlacedVehicle? Vehicle, LanePositions.WheelRun? Run) worst = (null, null);
        if (load.Vehicle is null && line == 0)
            return worst;
        foreach (var run in place.Runs)
        {
            if (load.Vehicle is { } own && Math.Abs(own.WheelSpacing - run.Spacing) > 1e-9)
                continue;
            var placing = new VehiclePlacing(surface.Along(run), greatest);
            var found = load.Vehicle is { } vehicle ? placing.Worst(vehicle, line, load.LineClear ?? 0) : placing.LineAlone(line);
            if (found is not null && sign * found.Value > sign * (worst.Vehicle?.Value ?? 0))
                worst = (found, run);
        }
        return worst;
    }

    /// <summary>Where within the lane a line load over a width is worst: in the middle or at either edge.</summary>
    private (double From, double Width, double Load)? Strip(LaneLoad load, LanePositions.Position place, double[] adverse, int sign)
    {
        var width = Math.Min(load.LineWidth, place.Width);
        var room = place.Width - width;
        var from = new[] { room / 2, 0, room }
            .Select(r => place.From + r)
            .MaxBy(f => sign * Area(place.Carriageway, f, f + width, adverse));
        return (from, width, load.Line / width);
    }

    /// <summary>Adverse integral over a width of a carriageway.</summary>
    private double Area(int carriageway, double from, double to, double[] adverse)
    {
        double sum = 0;
        for (var i = 0; i < cells.Count; i++)
        {
            if (cells[i].Carriageway == carriageway)
                sum += adverse[i] * Overlap(cells[i].From, cells[i].Width, from, to);
        }
        return sum;
    }

    private static double Overlap(double from, double width, double a, double b) =>
        Math.Max(0, Math.Min(from + width, b) - Math.Max(from, a));

    /// <summary>What a loading does to a surface.</summary>
    private double Over(Surface other, AdverseParts? parts, ImmutableArray<PlacedLane> lanes, double presence)
    {
        double sum = 0;
        foreach (var lane in lanes)
        {
            if (lane.Vehicle is not { } vehicle)
                continue;
            var profile = other.Along(lane.Run!);
            var under =
                vehicle.Axles.Sum(a => a.Load * profile.At(a.Station))
                + vehicle.Lines.Sum(l => l.Load * (profile.Integral(l.To) - profile.Integral(l.From)));
            sum += presence * lane.Factor * lane.Dynamic * under;
        }
        foreach (var (_, from, width, line) in cells)
        {
            var load = model.Rest * width;
            foreach (var lane in lanes)
            {
                load += presence * (lane.Factor * lane.Area - model.Rest) * Overlap(from, width, lane.From, lane.From + lane.Width);
                if (lane.Strip is { } strip)
                    load += presence * lane.Factor * strip.Load * Overlap(from, width, strip.From, strip.From + strip.Width);
            }
            sum += load * parts!.Of(other.Cut, line);
        }
        return sum;
    }

    /// <summary>The mean of both wheel lines, at the stations of either.</summary>
    private LineProfile Profile(SurfaceCut cut, LanePositions.WheelRun run)
    {
        var (left, right) = (new CutLine(cut, grid, lines[run.Left], run.Left), new CutLine(cut, grid, lines[run.Right], run.Right));
        List<double> stations = [];
        foreach (var station in left.Stations.Concat(right.Stations).Order())
        {
            if (stations.Count == 0 || station - stations[^1] > 1e-9)
                stations.Add(station);
        }
        return new([
            .. stations.Select(
                (s, i) =>
                {
                    var (a, b) = (left.At(s), right.At(s));
                    var to = i + 1 < stations.Count ? stations[i + 1] : s;
                    var length = (left.Length(s, to) + right.Length(s, to)) / 2;
                    return (s, (a.Behind + b.Behind) / 2, (a.Ahead + b.Ahead) / 2, length);
                }
            ),
        ]);
    }

    /// <summary>A surface cut along one line.</summary>
    private readonly struct CutLine(SurfaceCut cut, LineGrid grid, DeckLine line, int number)
    {
        private const double Tiny = 1e-9;
        private readonly int first = number * grid.Rows;

        public double[] Stations => line.Station;

        /// <summary>Values just behind and just ahead of a station; 0 off the deck.</summary>
        public (double Behind, double Ahead) At(double station)
        {
            var rows = line.Station;
            if (station < rows[0] - Tiny || station > rows[^1] + Tiny)
                return (0, 0);
            var found = Array.BinarySearch(rows, station - Tiny);
            var next = found >= 0 ? found : ~found;
            if (next < rows.Length && rows[next] <= station + Tiny)
            {
                var last = next;
                while (last + 1 < rows.Length && rows[last + 1] <= station + Tiny)
                    last++;
                return (next == 0 ? 0 : cut.Behind[first + next], last == rows.Length - 1 ? 0 : cut.Ahead[first + last]);
            }
            var i = next - 1;
            var t = (station - rows[i]) / (rows[i + 1] - rows[i]);
            var value = cut.Ahead[first + i] + t * (cut.Behind[first + i + 1] - cut.Ahead[first + i]);
            return (value, value);
        }

        /// <summary>Length in plan between stations within one piece.</summary>
        public double Length(double from, double to)
        {
            var (rows, middle) = (line.Station, (from + to) / 2);
            if (to <= from || middle <= rows[0] || middle >= rows[^1])
                return 0;
            var i = ~Array.BinarySearch(rows, middle) - 1;
            return i < 0 ? 0 : line.Length[i] * (to - from) / (rows[i + 1] - rows[i]);
        }
    }
}
