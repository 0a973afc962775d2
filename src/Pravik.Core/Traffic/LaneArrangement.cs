using System.Collections.Immutable;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>
/// Chooses the worst lanes that do not overlap, by dynamic programming from the right: gain[i, left] is the most that lanes at place i or
/// further right can add when so many of each kind are left.
/// </summary>
internal sealed class LaneArrangement
{
    private readonly LanePositions positions;
    private readonly ImmutableArray<double> presence;

    /// <summary>The factor of a state by the number of lanes in it.</summary>
    private readonly double[] factors;

    /// <summary>How many lanes of each kind there may be, and what one of it counts in the number of a state.</summary>
    private readonly int[] most;
    private readonly int[] unit;
    private readonly int states = 1;

    /// <summary>Lanes left in a state, by kind (state times kinds plus kind).</summary>
    private readonly bool[] isLeft;

    public LaneArrangement(TrafficModel model, LanePositions positions)
    {
        (this.positions, presence) = (positions, model.Presence);
        // Kinds that are one lane each are numbered through: the second lane needs room for two.
        var (taken, counts) = (0, new List<int>());
        foreach (var kind in model.Kinds)
        {
            counts.Add(Math.Min(kind.Most, Math.Max(0, positions.Lanes - taken - (kind.Wide - 1))));
            taken += kind.Wide;
        }
        most = [.. counts];
        unit = new int[most.Length];
        for (var k = 0; k < most.Length; k++)
        {
            unit[k] = states;
            states *= most[k] + 1;
        }
        factors = new double[states];
        isLeft = new bool[states * most.Length];
        for (var left = 0; left < states; left++)
        {
            for (var k = 0; k < most.Length; k++)
                isLeft[left * most.Length + k] = left / unit[k] % (most[k] + 1) > 0;
            factors[left] = FactorOf(Enumerable.Range(0, most.Length).Sum(k => left / unit[k] % (most[k] + 1)));
        }
    }

    /// <summary>The worst lanes: the place and the kind of each from the left, and the factor by their number.</summary>
    /// <param name="gains">What a lane of each kind adds at each place, not below 0 (place times kinds plus kind).</param>
    /// <param name="workspace">Arrays of this thread.</param>
    public (List<(int Place, int Kind)> Lanes, double Presence) Worst(double[] gains, Workspace workspace)
    {
        var (count, kinds) = (positions.All.Count, most.Length);
        if (count == 0 || states == 1)
            return ([], 1);
        var (gain, choice) = (workspace.Take((count + 1) * states), workspace.Take(count * states));
        Array.Clear(gain, count * states, states);
        for (var i = count - 1; i >= 0; i--)
        {
            var clear = positions.Next[i] * states;
            for (var left = 0; left < states; left++)
            {
                var (best, chosen) = (gain[(i + 1) * states + left], -1);
                for (var k = 0; k < kinds; k++)
                {
                    var own = gains[i * kinds + k];
                    if (own <= 0 || !isLeft[left * kinds + k])
                        continue;
                    var added = own + gain[clear + left - unit[k]];
                    if (added > best * (1 + 1e-9))
                        (best, chosen) = (added, k);
                }
                (gain[i * states + left], choice[i * states + left]) = (best, chosen);
            }
        }
        // Factors fall with the number of lanes: fewer lanes with a greater factor may be worse.
        var (worst, factor) = (0, 1.0);
        for (var left = 0; left < states; left++)
        {
            if (factors[left] * gain[left] > factor * gain[worst] * (1 + 1e-12))
                (worst, factor) = (left, factors[left]);
        }
        var lanes = Follow(choice, worst);
        // A state may have room for more lanes than worsen.
        return (lanes, FactorOf(lanes.Count));
    }

    private double FactorOf(int lanes) => lanes == 0 ? 1 : presence[Math.Min(lanes, presence.Length) - 1];

    private List<(int Place, int Kind)> Follow(double[] choice, int left)
    {
        List<(int, int)> lanes = [];
        var i = 0;
        while (i < positions.All.Count && left > 0)
        {
            var kind = (int)choice[i * states + left];
            if (kind < 0)
            {
                i++;
                continue;
            }
            lanes.Add((i, kind));
            left -= unit[kind];
            i = positions.Next[i];
        }
        return lanes;
    }
}
