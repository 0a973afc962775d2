using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Places;

namespace Pravik.Core.Loads;

/// <summary>The stress of a tendon along its course when it is jacked, and after its wedges have drawn in.</summary>
/// <remarks>
/// From a jacked end σ(x) = σ_0·e^(−f), f = μ·(θ + k·x) (EN 1992-1-1 (5.45)); jacked at both ends, the greater of both. As wedges draw in
/// by Δ the tendon slips back against friction as far as ∫(σ − σ′)/E_p dx = Δ, with σ′ = σ(l)²/σ(x) up to the distance l. Where l would
/// be beyond the other end, or beyond the place where the stresses of both ends meet, σ′ = σ′_0·σ_0/σ(x) over all of it. Integrals are
/// summed by trapezia.
/// </remarks>
public sealed class TendonFriction
{
    private readonly TendonPath path;
    private readonly ImmutableArray<double> along;
    private readonly double[] jacked;
    private readonly double[] anchored;

    /// <param name="path">Its course.</param>
    /// <param name="tendon">The tendon.</param>
    /// <param name="steel">Its strand.</param>
    public TendonFriction(TendonPath path, Tendon tendon, PrestressingSteel steel)
    {
        (this.path, along) = (path, path.Distances);
        var stress = tendon.Jack(steel);
        var friction = along.Select((x, i) => tendon.Friction * (path.Angles[i] + tendon.Wobble * (x - along[0]))).ToArray();
        var (fromStart, fromEnd) = (tendon.Jacked != Tendon.AtEnd, tendon.Jacked != Tendon.AtStart);
        double Start(int i) => fromStart ? stress * Math.Exp(-friction[i]) : 0;
        double End(int i) => fromEnd ? stress * Math.Exp(friction[i] - friction[^1]) : 0;
        jacked = [.. along.Select((_, i) => Math.Max(Start(i), End(i)))];
        anchored = [.. jacked];
        var meet = Enumerable.Range(0, along.Length).TakeWhile(i => Start(i) >= End(i)).Count() - 1;
        var slip = tendon.DrawIn * steel.Ep;
        if (fromStart)
            DrawIn([.. Enumerable.Range(0, meet + 1)], slip);
        if (fromEnd)
            DrawIn([.. Enumerable.Range(meet + 1, along.Length - meet - 1).Reverse()], slip);
        for (var i = 1; i < along.Length; i++)
            Extension += (along[i] - along[i - 1]) * (jacked[i] + jacked[i - 1]) / (2 * steel.Ep);
    }

    /// <summary>How much the tendon lengthens in all as it is jacked (m), before it draws in.</summary>
    public double Extension { get; }

    /// <summary>Stress as it is jacked, at a distance from the first axis (Pa).</summary>
    public double Jacked(double distance) => path.Between(jacked, distance);

    /// <summary>Stress after wedges have drawn in (Pa).</summary>
    public double Anchored(double distance) => path.Between(anchored, distance);

    /// <summary>Draws in at the first of some places, which go away from the jack.</summary>
    private void DrawIn(ImmutableArray<int> places, double slip)
    {
        if (slip <= 0 || places.Length < 2)
            return;
        var (area, inverse) = (0.0, 0.0);
        for (var i = 1; i < places.Length; i++)
        {
            var (a, b) = (places[i - 1], places[i]);
            var length = Math.Abs(along[b] - along[a]);
            var (more, moreInverse) = (length * (jacked[a] + jacked[b]) / 2, length * (1 / jacked[a] + 1 / jacked[b]) / 2);
            // What has slipped once it comes as far as b; within the piece stress is taken as straight.
            if (area + more - jacked[b] * jacked[b] * (inverse + moreInverse) >= slip)
            {
                var reach = Reach(jacked[a], jacked[b], length, area, inverse, slip);
                SlipBack(places[..i], reach * reach);
                return;
            }
            (area, inverse) = (area + more, inverse + moreInverse);
        }
        SlipBack(places, Math.Max(0, (area - slip) / inverse));
    }

    /// <summary>The stress at which slipping ends, within a piece that goes from one stress to another.</summary>
    private static double Reach(double from, double to, double length, double area, double inverse, double slip)
    {
        double Slipped(double part)
        {
            var stress = from + part * (to - from);
            var (more, moreInverse) = (part * length * (from + stress) / 2, part * length * (1 / from + 1 / stress) / 2);
            return area + more - stress * stress * (inverse + moreInverse);
        }
        var (low, high) = (0.0, 1.0);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Slipped(middle) < slip ? (middle, high) : (low, middle);
        }
        return from + high * (to - from);
    }

    /// <summary>σ′ = c/σ at some places, at most what was there.</summary>
    private void SlipBack(ImmutableArray<int> places, double product)
    {
        foreach (var i in places)
            anchored[i] = Math.Min(jacked[i], product / jacked[i]);
    }
}
