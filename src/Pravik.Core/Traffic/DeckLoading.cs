using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>
/// Where loads of some traffic models can stand on a deck: lines along it that wheels, cells of carriageways and footways follow. What
/// depends on an influence surface alone is found once for all models (<see cref="LoadedSurface"/>).
/// </summary>
internal sealed class DeckLoading
{
    private const double CellWidth = 0.25;
    private readonly DeckMesh mesh;
    private readonly Dictionary<long, int> knownLines = [];
    private readonly Dictionary<(long, WheelTracks), int> knownRuns = [];
    private readonly List<(double Middle, WheelTracks Tracks, int[] Lines)> runs = [];
    private readonly List<DeckLine> lines = [];
    private readonly List<ShapeOnDeck> shapes = [];
    private readonly Dictionary<string, ShapeOnDeck> knownShapes = [];

    public DeckLoading(BridgeGeometry geometry, DeckMesh mesh, ImmutableArray<TrafficModel> models)
    {
        this.mesh = mesh;
        DeckLine At(double offset) => DeckLine.At(mesh, geometry, offset);
        int Line(double offset)
        {
            var key = (long)Math.Round(offset * 1e6);
            if (knownLines.TryGetValue(key, out var index))
                return index;
            lines.Add(At(offset));
            return knownLines[key] = lines.Count - 1;
        }
        int Run(double middle, WheelTracks tracks)
        {
            var key = ((long)Math.Round(middle * 1e6), tracks);
            if (knownRuns.TryGetValue(key, out var index))
                return index;
            runs.Add((middle, tracks, [.. tracks.Across.Select(a => Line(middle + a))]));
            return knownRuns[key] = runs.Count - 1;
        }
        var across = new MeshAcross(mesh);
        var positions = models.Select(m => new LanePositions(m, geometry.Carriageways, across, Run)).ToList();
        FirstCell = lines.Count;
        Cells = [.. CellsOf(geometry.Carriageways)];
        lines.AddRange(Cells.Select(c => At(c.From + c.Width / 2)));
        var footways = ImmutableArray.CreateBuilder<(int, double)>();
        foreach (var (line, width) in FootwaysOf(geometry, mesh))
        {
            footways.Add((lines.Count, width));
            lines.Add(line);
        }
        Footways = footways.ToImmutable();
        Lines = [.. lines];
        Grid = new(mesh, lines);
        PerLength = [.. lines.Take(FirstCell).SelectMany(PiecesOf)];
        Fine = new(mesh);
        Runs = [.. runs.Select(r => new WheelRun(r.Middle, r.Tracks, r.Lines, lines, Fine.Of(r.Tracks)))];
        Across = new(Cells);
        Refinement = new(Across);
        Models = [.. models.Select((m, i) => new ModelLoading(this, m, positions[i]))];
    }

    /// <summary>All lines.</summary>
    public ImmutableArray<DeckLine> Lines { get; }

    /// <summary>Their grid.</summary>
    public LineGrid Grid { get; }

    /// <summary>
    /// One over the difference of stations of the piece ahead of each row (1/m), for all lines that wheels follow; 0 where there is none.
    /// </summary>
    public double[] PerLength { get; }

    /// <summary>Whether surfaces may jump at a row of a line that wheels follow: where it begins, ends or is parted by a joint.</summary>
    public bool MayJump(int row) => PerLength[row] == 0 || row % Grid.Rows == 0 || PerLength[row - 1] == 0;

    private static IEnumerable<double> PiecesOf(DeckLine line)
    {
        for (var row = 0; row < line.Station.Length; row++)
        {
            var length = row + 1 < line.Station.Length ? line.Station[row + 1] - line.Station[row] : 0;
            yield return length > 0 ? 1 / length : 0;
        }
    }

    /// <summary>Offset of a line at a station (m), straight between rows.</summary>
    public double OffsetAt(int line, double station)
    {
        var of = Lines[line];
        var row = Math.Clamp(Array.FindLastIndex(of.Station, s => s <= station), 0, of.Station.Length - 2);
        var (from, to, length) = (Offset(row), Offset(row + 1), of.Station[row + 1] - of.Station[row]);
        return length <= 0 ? from : from + (station - of.Station[row]) / length * (to - from);

        double Offset(int at)
        {
            var (left, right) = (mesh.Nodes[of.Node[at]].Offset, mesh.Nodes[of.Node[at] + 1].Offset);
            return left + of.Weight[at] * (right - left);
        }
    }

    /// <summary>Runs of wheels of all models.</summary>
    public ImmutableArray<WheelRun> Runs { get; }

    /// <summary>The first line that is the middle of a cell.</summary>
    public int FirstCell { get; }

    /// <summary>Cells of the carriageways, from the left: their left edges and widths (m).</summary>
    public ImmutableArray<(int Carriageway, double From, double Width)> Cells { get; }

    /// <summary>The same, for integrals across them.</summary>
    public CarriagewayCells Across { get; }

    /// <summary>Lines in fine steps across.</summary>
    public FineLines Fine { get; }

    /// <summary>What moves lanes to their worst places across.</summary>
    public LaneRefinement Refinement { get; }

    /// <summary>Lines of footways, with the width of each (m).</summary>
    public ImmutableArray<(int Line, double Width)> Footways { get; }

    /// <summary>The models on this deck.</summary>
    public ImmutableArray<ModelLoading> Models { get; }

    /// <summary>Shapes of vehicles.</summary>
    public IReadOnlyList<ShapeOnDeck> Shapes => shapes;

    /// <summary>The shape of a vehicle on this deck, which is to go along some runs.</summary>
    public ShapeOnDeck ShapeOf(Vehicle vehicle, IEnumerable<int> along)
    {
        var key = VehicleShape.KeyOf(vehicle);
        if (!knownShapes.TryGetValue(key, out var shape))
        {
            shape = knownShapes[key] = new(shapes.Count, VehicleShape.Of(vehicle), vehicle.OnlyWorsening, vehicle.StaysOnDeck, this);
            shapes.Add(shape);
        }
        shape.Add(along);
        return shape;
    }

    private static IEnumerable<(int, double, double)> CellsOf(ImmutableArray<Carriageway> carriageways)
    {
        for (var c = 0; c < carriageways.Length; c++)
        {
            var count = (int)Math.Ceiling(carriageways[c].Width / CellWidth - 1e-9);
            var width = carriageways[c].Width / count;
            for (var i = 0; i < count; i++)
                yield return (c, carriageways[c].From + i * width, width);
        }
    }

    /// <summary>
    /// Lines along footways that belong to no carriageway, with the width of each. Where a footway widens its greatest width loads it
    /// all along the unit.
    /// </summary>
    private static IEnumerable<(DeckLine, double)> FootwaysOf(BridgeGeometry geometry, DeckMesh mesh)
    {
        foreach (var unit in geometry.Units)
        {
            var (strips, carriageways) = (unit.Shape.At(unit.Start.Station).Strips, geometry.CarriagewaysAt(unit, unit.Start.Station));
            for (var i = 0; i < strips.Length; i++)
            {
                if (strips[i].Kind != StripKind.Footway || carriageways.Any(c => c.Contains(strips[i].Middle)))
                    continue;
                var width = unit.Stations(40).Max(at => unit.Shape.Boundary(i + 1, at) - unit.Shape.Boundary(i, at));
                var pieces = Math.Max(2, (int)Math.Ceiling(width / CellWidth));
                foreach (var line in DeckLine.Cells(mesh, geometry, unit, i, pieces))
                    yield return (line, width / pieces);
            }
        }
    }
}

/// <summary>
/// A shape of vehicle and the order in which its axles meet what every run that it may take goes over: the rows of its wheel lines where
/// it acts whole, and else the stations of the run, since all wheels of an axle act or do not.
/// </summary>
internal sealed class ShapeOnDeck(int number, VehicleShape shape, bool isOnlyWorsening, bool staysOnDeck, DeckLoading deck)
{
    private readonly VehicleWay[]?[] ways = new VehicleWay[]?[deck.Runs.Length];
    private readonly List<(int Run, VehicleWay Way)> passes = [];
    private readonly int[] firstPass = new int[deck.Runs.Length];
    private readonly StopsOfWay[]?[] stops = new StopsOfWay[]?[deck.Runs.Length];

    /// <summary>Its number on the deck.</summary>
    public int Number => number;

    /// <summary>Whether axles that relieve are left out.</summary>
    public bool IsOnlyWorsening => isOnlyWorsening;

    /// <summary>
    /// Whether it can have axles left out, or a distance that is sought: its values stand as they are searched, and its places are found
    /// for those of which they are asked for. Of others the worst run is found, and then value and place there.
    /// </summary>
    public bool IsVaried => isOnlyWorsening || shape.Second is not null;

    /// <summary>The runs that it may take, in order.</summary>
    public List<int> Runs { get; } = [];

    /// <summary>Ahead and back along a run.</summary>
    public VehicleWay[] Ways(int run) => ways[run]!;

    /// <summary>Whether it may take a run.</summary>
    public bool Takes(int run) => ways[run] is not null;

    /// <summary>Each way along each run where it acts whole, run by run, with its steps.</summary>
    public IReadOnlyList<(int Run, VehicleWay Way)> Passes => passes;

    /// <summary>The first of them along a run.</summary>
    public int FirstPass(int run) => firstPass[run];

    /// <summary>Its wheels along a run, ahead or back, where it acts whole.</summary>
    public AxleGroup WheelsOf(int run, bool isTurned)
    {
        var of = ways[run]!;
        return (of[0].IsTurned == isTurned ? of[0] : of[1]).Shape.Lead;
    }

    /// <summary>Its stops along a run, where it is placed later.</summary>
    public StopsOfWay[] Stops(int run) => stops[run]!;

    /// <summary>Lets it go along some runs.</summary>
    public void Add(IEnumerable<int> along)
    {
        foreach (var run in along.Where(r => ways[r] is null))
        {
            var stations = deck.Runs[run].Stations;
            // Runs with the same stations share the order.
            int? alike = Runs.Count > 0 && deck.Runs[Runs[^1]].Stations.AsSpan().SequenceEqual(stations) ? Runs[^1] : null;
            if (IsVaried)
                stops[run] = alike is { } same ? stops[same] : StopsOfWay.Of(shape, stations);
            ways[run] =
                !isOnlyWorsening ? VehicleWay.Of(shape, deck.Runs[run].Tracks, Rows(deck.Runs[run]), staysOnDeck)
                : alike is { } known ? ways[known]
                : VehicleWay.Of(shape, [.. stations.Select((s, i) => (s, i))]);
            Runs.Add(run);
            firstPass[run] = passes.Count;
            if (!IsVaried)
                passes.AddRange(ways[run]!.Select(way => (run, way with { Steps = new(way, deck) })));
        }
    }

    /// <summary>The rows that each line of a run meets.</summary>
    private (double Station, int Number)[][] Rows(WheelRun run) =>
        [.. run.Lines.Select(line => deck.Lines[line].Station.Select((station, row) => (station, line * deck.Grid.Rows + row)).ToArray())];
}
