using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Traffic;

/// <summary>Factors on tandems and on distributed loads for which the worst place is sought.</summary>
public readonly record struct TrafficWeights(double Tandem, double Lane);

/// <summary>
/// Puts load model 1 and footway load where they are worst for an influence surface. Notional lanes may lie anywhere in the
/// carriageways without overlapping (steps of 0.25 m from both kerbs), in any order; each carries one whole tandem along its middle
/// or none; distributed loads act on adverse parts only (EN 1991-2 4.2.3, 4.2.4, 4.3.2). Lanes of all carriageways are numbered
/// together.
/// </summary>
internal sealed class TrafficPlacement
{
    private readonly LoadModel1 model;
    private readonly LaneTracks tracks;
    private readonly LineGrid grid;
    private readonly int[] firstCell;
    private readonly (double From, double Width)[] cells;
    private readonly (int Line, double Width)[] footways;
    private readonly TandemPlaces[] tandems;
    private readonly int lanes;

    public TrafficPlacement(BridgeGeometry geometry, DeckMesh mesh, NationalValues values)
    {
        model = LoadModel1.Of(values);
        DeckLine At(double offset) => DeckLine.At(mesh, geometry, offset);
        tracks = new(geometry.Carriageways, values["laneWidth"], At);
        List<DeckLine> lines = [.. tracks.Lines];
        List<int> first = [];
        List<(double, double)> all = [];
        foreach (var carriageway in geometry.Carriageways)
        {
            first.Add(lines.Count);
            var count = (int)Math.Ceiling(carriageway.Width / 0.25 - 1e-9);
            var width = carriageway.Width / count;
            for (var i = 0; i < count; i++)
            {
                all.Add((carriageway.From + i * width, width));
                lines.Add(At(carriageway.From + (i + 0.5) * width));
            }
        }
        (firstCell, cells) = ([.. first, lines.Count], [.. all]);
        List<(int, double)> foot = [];
        foreach (var (line, width) in Footways(geometry, mesh))
        {
            foot.Add((lines.Count, width));
            lines.Add(line);
        }
        (footways, grid) = ([.. foot], new(mesh, lines));
        lanes = Math.Min(3, tracks.Lanes);
        var rows = grid.Rows;
        tandems =
        [
            .. tracks.Tracks.Select(t => new TandemPlaces(
                lines[t.LeftLine],
                lines[t.RightLine],
                t.LeftLine * rows,
                t.RightLine * rows,
                grid.OffDeck
            )),
        ];
    }

    /// <summary>A surface ready to be loaded.</summary>
    public SurfaceCut Cut(InfluenceSurface surface, Workspace workspace) => grid.Cut(surface, workspace);

    /// <summary>
    /// Lines along footways that belong to no carriageway, with the width of each. Where a footway widens its greatest width loads it
    /// all along the unit.
    /// </summary>
    private static IEnumerable<(DeckLine, double)> Footways(BridgeGeometry geometry, DeckMesh mesh)
    {
        foreach (var unit in geometry.Units)
        {
            var (strips, carriageways) = (unit.Shape.At(unit.Start.Station).Strips, geometry.CarriagewaysAt(unit, unit.Start.Station));
            for (var i = 0; i < strips.Length; i++)
            {
                if (strips[i].Kind != StripKind.Footway || carriageways.Any(c => c.Contains(strips[i].Middle)))
                    continue;
                var width = unit.Stations(40).Max(at => unit.Shape.Boundary(i + 1, at) - unit.Shape.Boundary(i, at));
                var pieces = Math.Max(2, (int)Math.Ceiling(width / 0.25));
                foreach (var line in DeckLine.Cells(mesh, geometry, unit, i, pieces))
                    yield return (line, width / pieces);
            }
        }
    }

    /// <summary>What the footway load of 1 N/m² that is worst for one effect does to an effect, the same or another.</summary>
    public double Footway(Adverse adverse, SurfaceCut cut)
    {
        double sum = 0;
        foreach (var (line, width) in footways)
            sum += width * adverse.Parts.Of(cut, line);
        return sum;
    }

    /// <summary>
    /// What can be loaded of a surface for one sign: sums of ordinates under the tandem of every track, and adverse areas.
    /// </summary>
    public sealed class Adverse
    {
        internal required int Sign { get; init; }
        internal required double[] Sum { get; init; }
        internal required int[] Place { get; init; }
        internal required AdverseParts Parts { get; init; }

        /// <summary>Adverse integral from the left kerb of each carriageway to each cell boundary, carriageway by carriageway.</summary>
        internal required double[] Area { get; init; }
    }

    /// <summary>Sums of ordinates under the tandem of every track where it is worst, for both signs, and the places.</summary>
    public sealed record TandemSums(double[] Greatest, int[] AtGreatest, double[] Least, int[] AtLeast);

    public TandemSums Tandems(SurfaceCut cut)
    {
        var count = tandems.Length;
        var sums = new TandemSums(new double[count], new int[count], new double[count], new int[count]);
        for (var i = 0; i < count; i++)
            (sums.Greatest[i], sums.AtGreatest[i], sums.Least[i], sums.AtLeast[i]) = tandems[i].Extremes(cut);
        return sums;
    }

    /// <summary>What can be loaded of a surface for its greatest or its least value.</summary>
    public Adverse Prepare(SurfaceCut cut, TandemSums sums, bool greatest, Workspace workspace)
    {
        var sign = greatest ? 1 : -1;
        var parts = cut.Parts(firstCell[0], sign, workspace);
        var area = new double[cells.Length + firstCell.Length - 1];
        for (int c = 0, at = 0, cell = 0; c + 1 < firstCell.Length; c++, at++)
        {
            for (var line = firstCell[c]; line < firstCell[c + 1]; line++, at++, cell++)
                area[at + 1] = area[at] + cells[cell].Width * parts.Of(cut, line);
        }
        return new()
        {
            Sign = sign,
            Sum = greatest ? sums.Greatest : sums.Least,
            Place = greatest ? sums.AtGreatest : sums.AtLeast,
            Parts = parts,
            Area = area,
        };
    }

    /// <summary>
    /// The worst set of lanes that do not overlap, by dynamic programming from the right: gain[i, m] is the most that lanes placed at
    /// track i or further right can add when those in the bit set m are still to be placed.
    /// </summary>
    /// <returns>The loading, and the track of each of its lanes.</returns>
    public (TrafficLoading Loading, ImmutableArray<(int Lane, int Track)> Chosen) Arrange(Adverse adverse, TrafficWeights weights)
    {
        var (count, sets) = (tracks.Tracks.Count, 1 << lanes);
        var (gain, choice) = (new double[(count + 1) * sets], new int[count * sets]);
        for (var i = count - 1; i >= 0; i--)
        {
            var (area, clear) = (Area(adverse, i), tracks.Next[i] * sets);
            for (var set = 0; set < sets; set++)
            {
                var (best, chosen) = (gain[(i + 1) * sets + set], -1);
                for (var lane = 0; lane < lanes; lane++)
                {
                    if ((set & (1 << lane)) == 0)
                        continue;
                    var own =
                        weights.Tandem * model.Axle[lane] / 2 * adverse.Sum[i] + weights.Lane * (model.Lane[lane] - model.Rest) * area;
                    var added = adverse.Sign * own + gain[clear + (set & ~(1 << lane))];
                    if (added > best + 1e-9 * Math.Abs(added))
                        (best, chosen) = (added, lane);
                }
                (gain[i * sets + set], choice[i * sets + set]) = (best, chosen);
            }
        }
        return Follow(adverse, choice, sets);
    }

    private (TrafficLoading, ImmutableArray<(int, int)>) Follow(Adverse adverse, int[] choice, int sets)
    {
        double tandem = 0,
            distributed = 0;
        for (int c = 0, at = 0; c + 1 < firstCell.Length; c++)
        {
            at += firstCell[c + 1] - firstCell[c];
            distributed += model.Rest * adverse.Area[at++];
        }
        var (loaded, chosen) = (ImmutableArray.CreateBuilder<LoadedLane>(), ImmutableArray.CreateBuilder<(int, int)>());
        var (i, set) = (0, sets - 1);
        while (i < tracks.Tracks.Count && set != 0)
        {
            var lane = choice[i * sets + set];
            if (lane < 0)
            {
                i++;
                continue;
            }
            var track = tracks.Tracks[i];
            tandem += model.Axle[lane] / 2 * adverse.Sum[i];
            distributed += (model.Lane[lane] - model.Rest) * Area(adverse, i);
            loaded.Add(new(lane + 1, track.From, track.Width, adverse.Place[i] < 0 ? null : tandems[i].Station(adverse.Place[i])));
            chosen.Add((lane, i));
            set &= ~(1 << lane);
            i = tracks.Next[i];
        }
        return (new(tandem, distributed, loaded.ToImmutable()), chosen.ToImmutable());
    }

    /// <summary>Load per metre of line (N/m) on every cell of the carriageways for lanes on some tracks.</summary>
    private void LoadCells(ImmutableArray<(int Lane, int Track)> chosen, Span<double> loads)
    {
        for (var cell = 0; cell < cells.Length; cell++)
        {
            var (from, width) = cells[cell];
            loads[cell] = model.Rest * width;
            foreach (var (lane, i) in chosen)
            {
                var within = Math.Min(tracks.Tracks[i].To, from + width) - Math.Max(tracks.Tracks[i].From, from);
                if (within > 0)
                    loads[cell] += within * (model.Lane[lane] - model.Rest);
            }
        }
    }

    /// <summary>What a loading that is worst for one effect does to others: the parts of tandems and of distributed loads.</summary>
    public (double Tandem, double Distributed)[] Over(
        IReadOnlyList<SurfaceCut?> others,
        Adverse adverse,
        ImmutableArray<(int Lane, int Track)> chosen
    )
    {
        Span<double> loads = stackalloc double[cells.Length];
        LoadCells(chosen, loads);
        var parts = new (double Tandem, double Distributed)[others.Count];
        for (var c = 0; c < others.Count; c++)
        {
            if (others[c] is not { } other)
                continue;
            double tandem = 0,
                distributed = 0;
            foreach (var (lane, i) in chosen)
            {
                if (adverse.Place[i] >= 0)
                    tandem += model.Axle[lane] / 2 * tandems[i].Under(other, adverse.Place[i]);
            }
            for (var cell = 0; cell < cells.Length; cell++)
                distributed += loads[cell] * adverse.Parts.Of(other, firstCell[0] + cell);
            parts[c] = (tandem, distributed);
        }
        return parts;
    }

    /// <summary>Adverse integral over the width of a track.</summary>
    private double Area(Adverse adverse, int track)
    {
        var (c, from, to) = (tracks.Tracks[track].Carriageway, tracks.Tracks[track].From, tracks.Tracks[track].To);
        var first = firstCell[c] - firstCell[0];
        return Cumulative(to) - Cumulative(from);

        double Cumulative(double offset)
        {
            var count = firstCell[c + 1] - firstCell[c];
            var place = Math.Clamp((offset - cells[first].From) / cells[first].Width, 0, count);
            var cell = Math.Min((int)place, count - 1);
            // Each carriageway has one boundary more than cells.
            var at = first + c + cell;
            return adverse.Area[at] + (place - cell) * (adverse.Area[at + 1] - adverse.Area[at]);
        }
    }
}
