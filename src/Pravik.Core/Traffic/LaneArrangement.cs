using System.Collections.Immutable;

namespace Pravik.Core.Traffic;

/// <summary>
/// Chooses the worst lanes that do not overlap, by dynamic programming from the right: gain[i, left] is the most that lanes at place i or
/// further right can add when so many of each kind are left.
/// </summary>
internal sealed class LaneArrangement
{
    private readonly TrafficModel model;
    private readonly LanePositions positions;
    private readonly int sign;

    /// <summary>How many lanes of each kind there may be, and what one of it counts in the number of a state.</summary>
    private readonly int[] most;
    private readonly int[] unit;
    private readonly int states = 1;

    public LaneArrangement(TrafficModel model, LanePositions positions, int sign)
    {
        (this.model, this.positions, this.sign) = (model, positions, sign);
        // Kinds that are one lane each are numbered through: the second lane needs room for two.
        most = [.. model.Kinds.Select((k, number) => Math.Min(k.Most, Math.Max(0, positions.Lanes - number)))];
        unit = new int[most.Length];
        for (var k = 0; k < most.Length; k++)
        {
            unit[k] = states;
            states *= most[k] + 1;
        }
    }

    /// <summary>The worst lanes, the factor by their number, and their sum without it.</summary>
    public (ImmutableArray<PlacedLane> Lanes, double Presence, double Sum) Worst((double Value, PlacedLane Lane)?[][] gains)
    {
        var count = positions.All.Count;
        var (gain, choice) = (new double[(count + 1) * states], new int[count * states]);
        for (var i = count - 1; i >= 0; i--)
        {
            for (var left = 0; left < states; left++)
            {
                var (best, chosen) = (gain[(i + 1) * states + left], -1);
                for (var k = 0; k < most.Length; k++)
                {
                    if (left / unit[k] % (most[k] + 1) == 0 || gains[i][k] is not { } own)
                        continue;
                    var added = sign * own.Value + gain[positions.Next[i] * states + left - unit[k]];
                    if (added > best + 1e-9 * Math.Abs(added))
                        (best, chosen) = (added, k);
                }
                (gain[i * states + left], choice[i * states + left]) = (best, chosen);
            }
        }
        // Factors fall with the number of lanes: fewer lanes with a greater factor may be worse.
        var (worst, factor) = (0, 0.0);
        for (var left = 0; left < states; left++)
        {
            var number = most.Select((m, k) => left / unit[k] % (m + 1)).Sum();
            var presence = number == 0 ? 1 : model.Presence[Math.Min(number, model.Presence.Length) - 1];
            if (count > 0 && (factor == 0 || presence * gain[left] > factor * gain[worst] * (1 + 1e-12)))
                (worst, factor) = (left, presence);
        }
        return factor == 0 ? ([], 1, 0) : (Follow(gains, choice, worst), factor, sign * gain[worst]);
    }

    private ImmutableArray<PlacedLane> Follow((double Value, PlacedLane Lane)?[][] gains, int[] choice, int left)
    {
        var lanes = ImmutableArray.CreateBuilder<PlacedLane>();
        var i = 0;
        while (i < positions.All.Count && left > 0)
        {
            var kind = choice[i * states + left];
            if (kind < 0)
            {
                i++;
                continue;
            }
            lanes.Add(gains[i][kind]!.Value.Lane);
            left -= unit[kind];
            i = positions.Next[i];
        }
        return lanes.ToImmutable();
    }
}
