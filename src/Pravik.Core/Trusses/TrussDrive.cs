using Pravik.Core.Units;

namespace Pravik.Core.Trusses;

/// <summary>A bar that gives way while a vehicle crosses.</summary>
/// <param name="Bar">Its place in the list.</param>
/// <param name="Limit">By what.</param>
/// <param name="Share">Part of the weight that acts then: below 1 before the vehicle comes.</param>
/// <param name="Front">Place of the first axle (m); null before the vehicle comes.</param>
/// <param name="Force">Force in it (N), or its slenderness.</param>
/// <param name="Resistance">What it can carry (N), or its limit of slenderness.</param>
public sealed record DriveFailure(int Bar, BarLimit Limit, double Share, double? Front, double Force, double Resistance)
{
    /// <summary>What happens, in words.</summary>
    public string Words(TrussScheme scheme)
    {
        var (units, bar) = (UnitSystem.Named(scheme.Units), scheme.Bars[Bar]);
        var name = $"bar {Bar + 1}, {bar.From} to {bar.To},";
        if (Limit == BarLimit.Slenderness)
            return $"From the beginning: {name} is too slender: {QuantityText.Fixed(Force, 0)} over {QuantityText.Fixed(Resistance, 0)}.";
        var when = Front is { } x
            ? $"First axle at {units.FormatWithUnit(x, QuantityKind.Length)}"
            : $"Under {QuantityText.Fixed(100 * Share, 0)} % of its own weight";
        var what = Limit == BarLimit.Yield ? "yields in tension" : "buckles";
        string Text(double force) => units.FormatWithUnit(Math.Abs(force), QuantityKind.Force);
        var isOver = Math.Abs(Force) > Math.Abs(Resistance) * 1.001;
        return $"{when}: {name} {what} at {Text(Resistance)}{(isOver ? $" under {Text(Force)}" : "")}.";
    }
}

/// <summary>A moment of a crossing.</summary>
/// <param name="Share">Part of the weight that acts.</param>
/// <param name="Front">Place of the first axle (m); null before the vehicle comes.</param>
/// <param name="Forces">Force in each bar (N), with partial factors.</param>
/// <param name="Movements">Movements of the joints (m), x then z, with partial factors.</param>
/// <param name="Failures">How many failures have happened.</param>
public sealed record DriveMoment(double Share, double? Front, double[] Forces, double[] Movements, int Failures);

/// <summary>
/// A vehicle that crosses a truss in one direction: the weight comes first, in tenths; then the vehicle in steps. What gives way is
/// followed, until the truss stands with the vehicle beyond it, or falls.
/// </summary>
/// <remarks>
/// A bar that yields goes on carrying its resistance, one that buckles carries nothing any more; the place at which it does is
/// sought between steps. Unloading of a bar that has yielded is not followed. A bar that is too slender is told and goes on.
/// </remarks>
public sealed class TrussDrive
{
    /// <summary>Steps for each panel of the deck.</summary>
    public const int StepsOfPanel = 8;
    private const int WeightSteps = 10;
    private const double Over = 1 + 1e-9;

    private readonly TrussModel model;
    private readonly SitePlaces places;
    private readonly TrussVehicle vehicle;
    private readonly double permanent;
    private readonly BarResistance[] resistances;
    private readonly double[] weight;
    private readonly HashSet<int> buckled = [];
    private readonly HashSet<int> yielded = [];
    private readonly List<DriveFailure> failures = [];
    private readonly List<DriveMoment> steps = [];
    private TrussSolver? solver;

    /// <summary>Drives over a scheme that can be analysed; one that moves falls at once.</summary>
    /// <param name="scheme">The scheme.</param>
    /// <param name="number">The vehicle, by its place in the list.</param>
    /// <param name="isAhead">From left to right.</param>
    /// <param name="isHeavy">Permanent loads with the factor that worsens; else with that which relieves.</param>
    public TrussDrive(TrussScheme scheme, int number, bool isAhead, bool isHeavy = true)
    {
        (Number, IsAhead, IsHeavy) = (number, isAhead, isHeavy);
        (model, places, vehicle) = (TrussModel.Of(scheme), new(scheme.Site), scheme.Vehicles[number]);
        permanent = isHeavy ? scheme.Rules.Permanent : scheme.Rules.PermanentRelieving;
        weight = TrussForces.WeightLoads(model);
        resistances = [.. model.Bars.Select((b, i) => BarResistance.Of(b.Section, b.Grade, model.Length(i), model.Rules))];
        if (!TrussSolver.TryFactorise(model, out solver))
            return;
        Slender();
        Cross();
    }

    /// <summary>The vehicle, by its place in the list.</summary>
    public int Number { get; }

    /// <summary>Whether it goes from left to right.</summary>
    public bool IsAhead { get; }

    /// <summary>Whether permanent loads have the factor that worsens.</summary>
    public bool IsHeavy { get; }

    /// <summary>Moments in order.</summary>
    public IReadOnlyList<DriveMoment> Steps => steps;

    /// <summary>What gives way, in order.</summary>
    public IReadOnlyList<DriveFailure> Failures => failures;

    /// <summary>How it falls; null where it stands.</summary>
    public TrussFall? Fall { get; private set; }

    /// <summary>Whether it falls.</summary>
    public bool Falls => Fall is not null;

    /// <summary>What a bar can carry.</summary>
    public BarResistance ResistanceOf(int bar) => resistances[bar];

    private void Slender()
    {
        if (TrussResults.Of(model) is not { } results)
            return;
        for (var b = 0; b < results.Bars.Length; b++)
        {
            if (results.Bars[b] is { Slender: > Over } bar)
                failures.Add(new(b, BarLimit.Slenderness, 0, null, bar.Resistance.Slenderness, bar.SlendernessLimit!.Value));
        }
    }

    private void Cross()
    {
        for (var i = 0; i < WeightSteps; i++)
        {
            if (!Advance(Moment.Of((double)i / WeightSteps), Moment.Of((i + 1.0) / WeightSteps)))
                return;
        }
        var (step, length) = (places.Panel / StepsOfPanel, VehiclePositions.Length(vehicle));
        var way = places.Deck[^1].At.X + length;
        var count = (int)Math.Ceiling(way / step);
        double Front(double done) => IsAhead ? done : places.Deck[^1].At.X - done;
        for (var i = 0; i <= count; i++)
        {
            var (from, to) = (Math.Max(0, i - 1) * way / count, i * way / count);
            if (!Advance(new(1, Front(from)), new(1, Front(to))))
                return;
        }
    }

    /// <summary>Goes from one moment to the next, and keeps it; false where the truss falls on the way.</summary>
    private bool Advance(Moment from, Moment to)
    {
        while (true)
        {
            var (movements, forces) = Under(to);
            if (Worst(forces) is null)
            {
                steps.Add(new(to.Share, to.Front, forces, movements, failures.Count));
                return true;
            }
            from = FirstOver(from, to);
            if (!GiveWay(from))
                return false;
        }
    }

    /// <summary>
    /// The first moment on the way at which a bar is over its resistance, to a thousandth of a millimetre of the vehicle’s way.
    /// </summary>
    private Moment FirstOver(Moment from, Moment to)
    {
        if (Worst(Under(from).Forces) is not null)
            return from;
        for (var i = 0; i < 40; i++)
        {
            var middle = Moment.Between(from, to);
            if (Worst(Under(middle).Forces) is null)
                from = middle;
            else
                to = middle;
        }
        return to;
    }

    /// <summary>The bar that is farthest over its resistance gives way; false where the truss falls then.</summary>
    private bool GiveWay(Moment at)
    {
        var (movements, forces) = Under(at);
        var bar = Worst(forces)!.Value;
        var isTension = forces[bar] > 0;
        var limit = isTension ? BarLimit.Yield : BarLimit.Buckling;
        var resistance = isTension ? resistances[bar].Tension : -resistances[bar].Compression;
        failures.Add(new(bar, limit, at.Share, at.Front, forces[bar], resistance));
        (isTension ? yielded : buckled).Add(bar);
        steps.Add(new(at.Share, at.Front, forces, movements, failures.Count));
        HashSet<int> gone = [.. buckled, .. yielded];
        if (TrussSolver.TryFactorise(model, out solver, gone))
            return true;
        Fall = new(model, places, Loads(at), movements, resistances, buckled);
        return false;
    }

    private int? Worst(double[] forces)
    {
        var (worst, bar) = (Over, -1);
        for (var b = 0; b < forces.Length; b++)
        {
            if (buckled.Contains(b) || yielded.Contains(b))
                continue;
            if (resistances[b].RatioOf(forces[b]) is var ratio && ratio > worst)
                (worst, bar) = (ratio, b);
        }
        return bar < 0 ? null : bar;
    }

    private double[] Loads(Moment at)
    {
        var loads = weight.Select(w => at.Share * permanent * w).ToArray();
        if (at.Front is not { } front)
            return loads;
        var traffic = VehiclePositions.Loads(places, vehicle, IsAhead, front);
        for (var d = 0; d < traffic.Length; d++)
            loads[2 * model.Deck[d] + 1] -= model.Rules.Traffic * traffic[d];
        return loads;
    }

    private (double[] Movements, double[] Forces) Under(Moment at)
    {
        var loads = Loads(at);
        foreach (var bar in yielded)
            solver!.Pull(bar, resistances[bar].Tension, loads);
        var movements = solver!.Solve(loads);
        var forces = new double[model.Bars.Length];
        for (var b = 0; b < forces.Length; b++)
        {
            forces[b] =
                yielded.Contains(b) ? resistances[b].Tension
                : buckled.Contains(b) ? 0
                : solver.Force(b, movements);
        }
        return (movements, forces);
    }

    /// <summary>Part of the weight, and where the vehicle is.</summary>
    private readonly record struct Moment(double Share, double? Front)
    {
        public static Moment Of(double share) => new(share, null);

        public static Moment Between(Moment a, Moment b) => new((a.Share + b.Share) / 2, (a.Front + b.Front) / 2);
    }
}

/// <summary>Every vehicle, both ways.</summary>
public static class TrussDrives
{
    /// <summary>
    /// The crossing in which most goes wrong: one in which the truss falls, else with most failures, else of the governing vehicle.
    /// Null for a scheme that cannot be analysed.
    /// </summary>
    public static TrussDrive? Worst(TrussScheme scheme)
    {
        if (scheme.Bars.IsEmpty || TrussResults.Of(TrussModel.Of(scheme)) is not { } results)
            return null;
        var governing = results.Governing ?? results.Forces.Model.Positions[0];
        TrussDrive usual = new(scheme, governing.Vehicle, governing.IsAhead);
        if (results.WorstBar <= 1)
            return usual;
        return Enumerable
            .Range(0, scheme.Vehicles.Length)
            .SelectMany(v => new[] { true, false }.SelectMany(a => new[] { true, false }.Select(h => (v, a, h))))
            .Where(d => d != (usual.Number, usual.IsAhead, true))
            .Select(d => new TrussDrive(scheme, d.v, d.a, d.h))
            .Prepend(usual)
            .OrderByDescending(d => d.Falls)
            .ThenByDescending(d => d.Failures.Count)
            .First();
    }
}
