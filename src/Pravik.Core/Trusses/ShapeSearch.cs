using Pravik.Core.Geometry;

namespace Pravik.Core.Trusses;

/// <summary>
/// Looks for places of joints at which a truss costs less with every ratio at most 1, with the sections as they are, or with the cheapest
/// of those in use that carry what they must.
/// </summary>
/// <remarks>
/// Each free joint moves along and in level within its reach, on the grid: one movement at a time, by steps that are halved where
/// no movement helps (pattern search, Hooke and Jeeves 1961), between movements of all joints at random. Joints and bars keep out
/// of ground, clearance and the room of vehicles throughout.
/// </remarks>
internal sealed class ShapeSearch
{
    private readonly TrussModel start;
    private readonly SearchOptions options;
    private readonly Func<TrussModel, bool> isAllowed;
    private readonly Func<TrussModel, TrussModel>? sized;
    private readonly SearchLog log;
    private readonly Random random;
    private readonly (int Joint, int Mirror, bool IsAlong)[] moves;
    private readonly double middle;

    /// <summary>A search over a model.</summary>
    /// <param name="start">Where it begins.</param>
    /// <param name="options">Reach, grid, symmetry, seed.</param>
    /// <param name="isAllowed">Whether joints and bars may lie as they do in a model.</param>
    /// <param name="sized">Gives a moved model the sections that it needs; null where sections stay.</param>
    /// <param name="log">Keeps the best, and tells.</param>
    public ShapeSearch(
        TrussModel start,
        SearchOptions options,
        Func<TrussModel, bool> isAllowed,
        Func<TrussModel, TrussModel>? sized,
        SearchLog log
    )
    {
        (this.start, this.options, this.isAllowed, this.sized) = (start, options, isAllowed, sized);
        (this.log, random) = (log, new(options.Seed));
        var mirror = new TrussMirror(start);
        middle = mirror.Middle;
        moves = [.. Moves(mirror)];
    }

    /// <summary>Searches, and returns the best model that was found.</summary>
    public TrussModel Run(int trials)
    {
        if (moves.Length == 0)
            return log.Best;
        var at = new double[moves.Length];
        var now = Merit(at);
        var step = options.Reach / 2;
        var i = 0;
        while (i < trials && !log.IsStopped && step >= options.Grid / 2)
        {
            var (tried, merit, used) = Pattern(at, now, step);
            i += used;
            if (merit < now)
            {
                // What helped once may help again.
                double[] further = [.. tried.Select((t, k) => Math.Clamp(2 * t - at[k], -options.Reach, options.Reach))];
                var again = Merit(further);
                i++;
                (at, now) = again < merit ? (further, again) : (tried, merit);
                continue;
            }
            for (var k = 0; k < moves.Length; k++, i++)
            {
                double[] thrown = [.. at.Select(a => Math.Clamp(a + step * Normal() / 2, -options.Reach, options.Reach))];
                var there = Merit(thrown);
                if (there < now)
                    (at, now, merit) = (thrown, there, there - 1);
            }
            if (merit >= now)
                step /= 2;
        }
        return log.Best;
    }

    private (double[] At, double Merit, int Trials) Pattern(double[] at, double now, double step)
    {
        var (tried, used) = ((double[])at.Clone(), 0);
        foreach (var k in Enumerable.Range(0, moves.Length).OrderBy(_ => random.Next()).ToArray())
        {
            var from = tried[k];
            foreach (var sign in new[] { 1, -1 })
            {
                tried[k] = Math.Clamp(from + sign * step, -options.Reach, options.Reach);
                used++;
                if (Merit(tried) is var merit && merit < now)
                {
                    now = merit;
                    from = tried[k];
                    break;
                }
            }
            tried[k] = from;
        }
        return (tried, now, used);
    }

    private double Merit(double[] at)
    {
        var model = Moved(at);
        return isAllowed(model) ? log.Merit(sized is null ? model : sized(model)) : double.PositiveInfinity;
    }

    private TrussModel Moved(double[] at)
    {
        var joints = start.Joints.ToBuilder();
        for (var k = 0; k < moves.Length; k++)
        {
            var (joint, mirror, isAlong) = moves[k];
            var from = joints[joint].At;
            Point to = isAlong
                ? new(OnGrid(start.Joints[joint].At.X + at[k]), from.Y)
                : new(from.X, OnGrid(start.Joints[joint].At.Y + at[k]));
            joints[joint] = joints[joint] with { At = to };
            if (mirror >= 0 && mirror != joint)
                joints[mirror] = joints[mirror] with { At = new(Math.Round(2 * middle - to.X, 9), to.Y) };
        }
        return start with { Joints = joints.MoveToImmutable() };
    }

    private double OnGrid(double x) => Math.Round(Math.Round(x / options.Grid) * options.Grid, 9);

    /// <summary>What may move: joints in pairs where they mirror each other; one on the middle in level alone.</summary>
    private IEnumerable<(int, int, bool)> Moves(TrussMirror mirror)
    {
        for (var j = 0; j < start.Joints.Length; j++)
        {
            if (!start.Joints[j].IsFree)
                continue;
            var image = options.KeepsSymmetry ? mirror.Joints[j] : -1;
            if (image >= 0 && image != j && (!start.Joints[image].IsFree || image < j))
                continue;
            if (image != j)
                yield return (j, image, true);
            yield return (j, image, false);
        }
    }

    private double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
