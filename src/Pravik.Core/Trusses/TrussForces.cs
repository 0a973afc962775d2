using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>
/// Forces and movements of a truss: under what weighs on it, and under a unit load on each joint of the deck, from which every
/// position of a vehicle follows.
/// </summary>
public sealed class TrussForces
{
    private readonly TrussSolver solver;
    private readonly double[] weightLoads;

    private TrussForces(TrussModel model, TrussSolver solver)
    {
        (Model, this.solver) = (model, solver);
        weightLoads = WeightLoads(model);
        WeightMovements = solver.Solve(weightLoads);
        Weight = Forces(WeightMovements);
        Movements = new double[model.Deck.Length][];
        Influence = new double[model.Deck.Length][];
        var unit = new double[weightLoads.Length];
        for (var d = 0; d < model.Deck.Length; d++)
        {
            var at = 2 * model.Deck[d] + 1;
            unit[at] = -1;
            Movements[d] = solver.Solve(unit);
            Influence[d] = Forces(Movements[d]);
            unit[at] = 0;
        }
    }

    /// <summary>The truss.</summary>
    public TrussModel Model { get; }

    /// <summary>Force in each bar under the weight of bars and deck (N), without partial factor, tension positive.</summary>
    public double[] Weight { get; }

    /// <summary>Movements under that weight (m), x then z of each joint.</summary>
    public double[] WeightMovements { get; }

    /// <summary>Force in each bar under a load of 1 down on each joint of the deck.</summary>
    public double[][] Influence { get; }

    /// <summary>Movements under that load (m/N).</summary>
    public double[][] Movements { get; }

    /// <summary>The forces of a truss; null where it can move.</summary>
    public static TrussForces? Of(TrussModel model) => TrussSolver.TryFactorise(model, out var solver) ? new(model, solver) : null;

    /// <summary>What bars and deck weigh on all joints (N), x then z; half of each bar at either end.</summary>
    public static double[] WeightLoads(TrussModel model)
    {
        var loads = new double[2 * model.Joints.Length];
        for (var b = 0; b < model.Bars.Length; b++)
        {
            var half = model.Mass(b) * TrussModel.Gravity / 2;
            loads[2 * model.Bars[b].From + 1] -= half;
            loads[2 * model.Bars[b].To + 1] -= half;
        }
        for (var d = 0; d < model.Deck.Length; d++)
            loads[2 * model.Deck[d] + 1] -= model.DeckWeight[d];
        return loads;
    }

    /// <summary>Force in each bar under loads on the joints of the deck (N).</summary>
    public double[] Under(ReadOnlySpan<double> deckLoads) => Sum(Influence, deckLoads, Model.Bars.Length);

    /// <summary>Movements of all joints under loads on the joints of the deck (m).</summary>
    public double[] MovementsUnder(ReadOnlySpan<double> deckLoads) => Sum(Movements, deckLoads, 2 * Model.Joints.Length);

    /// <summary>
    /// What each held joint bears (N): along and up, under loads on the deck's joints and a part of the weight.
    /// </summary>
    public ImmutableArray<(int Joint, double Along, double Up)> Reactions(ReadOnlySpan<double> deckLoads, double weight)
    {
        var balance = weightLoads.Select(l => weight * l).ToArray();
        for (var d = 0; d < deckLoads.Length; d++)
            balance[2 * Model.Deck[d] + 1] -= deckLoads[d];
        var traffic = Under(deckLoads);
        for (var b = 0; b < traffic.Length; b++)
            solver.Pull(b, traffic[b] + weight * Weight[b], balance);
        return
        [
            .. Enumerable
                .Range(0, Model.Joints.Length)
                .Where(j => Model.Joints[j].Hold != JointHold.None)
                .Select(j => (j, -balance[2 * j], -balance[2 * j + 1])),
        ];
    }

    private double[] Forces(double[] movements)
    {
        var forces = new double[Model.Bars.Length];
        for (var b = 0; b < forces.Length; b++)
            forces[b] = solver.Force(b, movements);
        return forces;
    }

    private static double[] Sum(double[][] of, ReadOnlySpan<double> loads, int length)
    {
        var sum = new double[length];
        for (var d = 0; d < loads.Length; d++)
        {
            if (loads[d] == 0)
                continue;
            var (unit, load) = (of[d], loads[d]);
            for (var i = 0; i < length; i++)
                sum[i] += load * unit[i];
        }
        return sum;
    }
}
