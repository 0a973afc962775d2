using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>By what a bar is limited.</summary>
public enum BarLimit
{
    /// <summary>It yields in tension.</summary>
    Yield,

    /// <summary>It buckles in compression; a stocky one is squashed.</summary>
    Buckling,

    /// <summary>It is more slender than the limit.</summary>
    Slenderness,
}

/// <summary>How a bar does in the worst positions of all vehicles (N), with partial factors.</summary>
/// <param name="Most">Greatest force, tension positive.</param>
/// <param name="Least">Least force.</param>
/// <param name="MostAt">The position at which it is greatest; −1 for no vehicle.</param>
/// <param name="LeastAt">The position at which it is least; −1 for no vehicle.</param>
/// <param name="Resistance">What it can carry.</param>
/// <param name="SlendernessLimit">Its limit of slenderness; null for none.</param>
public readonly record struct BarOutcome(
    double Most,
    double Least,
    int MostAt,
    int LeastAt,
    BarResistance Resistance,
    double? SlendernessLimit
)
{
    /// <summary>Greatest tension over its resistance.</summary>
    public double InTension => Math.Max(0, Most) / Resistance.Tension;

    /// <summary>Greatest compression over its resistance.</summary>
    public double InCompression => Math.Max(0, -Least) / Resistance.Compression;

    /// <summary>Slenderness over its limit; 0 without one.</summary>
    public double Slender => Resistance.Slenderness / SlendernessLimit ?? 0;

    /// <summary>The greatest of the three.</summary>
    public double Ratio => Math.Max(Math.Max(InTension, InCompression), Slender);

    /// <summary>Which of the three it is.</summary>
    public BarLimit Limit =>
        Slender >= Math.Max(InTension, InCompression) ? BarLimit.Slenderness
        : InTension >= InCompression ? BarLimit.Yield
        : BarLimit.Buckling;

    /// <summary>The force that governs (N).</summary>
    public double Governing => InTension >= InCompression ? Most : Least;

    /// <summary>The position that governs; −1 for none.</summary>
    public int GoverningAt => InTension >= InCompression ? MostAt : LeastAt;
}

/// <summary>
/// Every bar of a truss at its worst: permanent loads all with γ_G or all with the lesser factor, whichever is worse, and traffic with γ_Q
/// where it worsens (EN 1990 (6.10), a single source for all permanent loads).
/// </summary>
public sealed class TrussResults
{
    private TrussResults(TrussForces forces)
    {
        Forces = forces;
        var model = forces.Model;
        var bars = model.Bars.Length;
        var (most, least) = (new double[bars], new double[bars]);
        var (mostAt, leastAt) = (new int[bars], new int[bars]);
        Array.Fill(mostAt, -1);
        Array.Fill(leastAt, -1);
        for (var p = 0; p < model.Positions.Length; p++)
        {
            var loads = model.Positions[p].Loads.AsSpan();
            var traffic = forces.Under(loads);
            for (var b = 0; b < bars; b++)
            {
                if (traffic[b] > most[b])
                    (most[b], mostAt[b]) = (traffic[b], p);
                if (traffic[b] < least[b])
                    (least[b], leastAt[b]) = (traffic[b], p);
            }
            var moves = DeckMovement(forces, loads);
            if (moves > Deflection)
                (Deflection, DeflectionAt) = (moves, p);
        }
        Bars = [.. Enumerable.Range(0, bars).Select(b => Outcome(forces, b, most[b], least[b], mostAt[b], leastAt[b]))];
    }

    /// <summary>Forces under weight and unit loads.</summary>
    public TrussForces Forces { get; }

    /// <summary>How each bar does.</summary>
    public ImmutableArray<BarOutcome> Bars { get; }

    /// <summary>Greatest movement down of a deck joint under traffic without partial factor (m).</summary>
    public double Deflection { get; }

    /// <summary>The position at which it occurs; −1 for none.</summary>
    public int DeflectionAt { get; } = -1;

    /// <summary>That movement over its limit; 0 without a limit.</summary>
    public double DeflectionRatio => Deflection / Forces.Model.DeflectionLimit ?? 0;

    /// <summary>The greatest ratio of a bar.</summary>
    public double WorstBar => Bars.Select(b => b.Ratio).DefaultIfEmpty(0).Max();

    /// <summary>The position that governs the bar of the greatest ratio; null where weight alone does, or there are no bars.</summary>
    public VehiclePosition? Governing =>
        !Bars.IsEmpty && Bars.MaxBy(b => b.Ratio).GoverningAt is >= 0 and var at ? Forces.Model.Positions[at] : null;

    /// <summary>The greatest ratio of all.</summary>
    public double Worst => Math.Max(WorstBar, DeflectionRatio);

    /// <summary>The results of a truss; null where it can move.</summary>
    public static TrussResults? Of(TrussModel model) => TrussForces.Of(model) is { } forces ? new(forces) : null;

    private static double DeckMovement(TrussForces forces, ReadOnlySpan<double> loads)
    {
        var (model, worst) = (forces.Model, 0.0);
        foreach (var joint in model.Deck)
        {
            var down = 0.0;
            for (var d = 0; d < loads.Length; d++)
                down -= loads[d] * forces.Movements[d][2 * joint + 1];
            worst = Math.Max(worst, down);
        }
        return worst;
    }

    private static BarOutcome Outcome(TrussForces forces, int bar, double most, double least, int mostAt, int leastAt)
    {
        var (model, rules, weight) = (forces.Model, forces.Model.Rules, forces.Weight[bar]);
        var made = model.Bars[bar];
        var (heavy, light) = (rules.Permanent * weight, rules.PermanentRelieving * weight);
        var (up, down) = (Math.Max(heavy, light) + rules.Traffic * most, Math.Min(heavy, light) + rules.Traffic * least);
        var resistance = BarResistance.Of(made.Section, made.Grade, model.Length(bar), rules);
        // Rounding is no compression.
        var isPressed = down < -1e-6 * Math.Max(1, Math.Abs(up));
        return new(up, down, mostAt, leastAt, resistance, isPressed ? rules.SlendernessCompression : rules.SlendernessTension);
    }
}
