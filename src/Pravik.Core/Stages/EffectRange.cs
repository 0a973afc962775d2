using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;

namespace Pravik.Core.Stages;

/// <summary>Greatest and least effects along the girders, component by component; both the same for a single case or sum.</summary>
public sealed record EffectRange(
    string Id,
    string Name,
    string Group,
    GirderEffects Greatest,
    GirderEffects Least,
    ImmutableArray<FaceStresses> GreatestStress,
    ImmutableArray<FaceStresses> LeastStress
)
{
    public bool IsSingle => ReferenceEquals(Greatest, Least);

    public static EffectRange Single(string id, string name, string group, GirderEffects effects, ImmutableArray<FaceStresses> stresses) =>
        new(id, name, group, effects, effects, stresses, stresses);

    /// <summary>Σ factor · range; a negative factor turns a range over.</summary>
    public static EffectRange Sum(string id, string name, string group, IReadOnlyList<(double Factor, EffectRange Range)> terms)
    {
        var single = terms.All(t => t.Range.IsSingle);
        (double, GirderEffects, ImmutableArray<FaceStresses>) Side((double Factor, EffectRange Range) t, bool greatest) =>
            t.Factor > 0 == greatest
                ? (t.Factor, t.Range.Greatest, t.Range.GreatestStress)
                : (t.Factor, t.Range.Least, t.Range.LeastStress);
        var upper = Added([.. terms.Select(t => Side(t, true))]);
        var lower = single ? upper : Added([.. terms.Select(t => Side(t, false))]);
        return new(id, name, group, upper.Effects, lower.Effects, upper.Stresses, lower.Stresses);
    }

    /// <summary>
    /// The greatest and the least of some ranges, each with its factor; with <paramref name="orNothing"/> also of none of them.
    /// </summary>
    public static EffectRange Envelope(
        string id,
        string name,
        string group,
        IReadOnlyList<(double Factor, EffectRange Range)> terms,
        bool orNothing = false
    )
    {
        var scaled = terms.Select(t => Sum("", "", "", [t])).ToList();
        var (count, faces) = (scaled[0].Greatest.Forces.Length, scaled[0].GreatestStress.Length);
        double Pick(bool greatest, Func<EffectRange, double> of) =>
            greatest
                ? Math.Max(orNothing ? 0 : double.MinValue, scaled.Max(of))
                : Math.Min(orNothing ? 0 : double.MaxValue, scaled.Min(of));
        GirderEffects Effects(bool greatest)
        {
            GirderEffects Of(EffectRange r) => greatest ? r.Greatest : r.Least;
            return new(
                [
                    .. Enumerable
                        .Range(0, count)
                        .Select(i => new SectionForces(
                            Pick(greatest, r => Of(r).Forces[i].N),
                            Pick(greatest, r => Of(r).Forces[i].Vy),
                            Pick(greatest, r => Of(r).Forces[i].V),
                            Pick(greatest, r => Of(r).Forces[i].T),
                            Pick(greatest, r => Of(r).Forces[i].M),
                            Pick(greatest, r => Of(r).Forces[i].Mz)
                        )),
                ],
                [.. Enumerable.Range(0, count).Select(i => Pick(greatest, r => Of(r).Deflection[i]))]
            );
        }
        ImmutableArray<FaceStresses> Stresses(bool greatest)
        {
            ImmutableArray<FaceStresses> Of(EffectRange r) => greatest ? r.GreatestStress : r.LeastStress;
            return
            [
                .. Enumerable
                    .Range(0, faces)
                    .Select(i => new FaceStresses(
                        Pick(greatest, r => Of(r)[i].Bottom),
                        Pick(greatest, r => Of(r)[i].GirderTop),
                        Pick(greatest, r => Of(r)[i].SlabTop)
                    )),
            ];
        }
        return new(id, name, group, Effects(true), Effects(false), Stresses(true), Stresses(false));
    }

    private static (GirderEffects Effects, ImmutableArray<FaceStresses> Stresses) Added(
        IReadOnlyList<(double Factor, GirderEffects Effects, ImmutableArray<FaceStresses> Stresses)> terms
    )
    {
        var stresses = new FaceStresses[terms[0].Stresses.Length];
        foreach (var (factor, _, faces) in terms)
        {
            for (var i = 0; i < stresses.Length; i++)
                stresses[i] += factor * faces[i];
        }
        return (GirderEffects.Sum([.. terms.Select(t => (t.Factor, t.Effects))]), [.. stresses]);
    }
}

/// <summary>
/// What the results of a model can be shown as: cases, sums by stage, envelopes of variable actions, and the engineer's own
/// combinations and envelopes.
/// </summary>
public sealed class EffectRanges
{
    /// <summary>
    /// ω_M and ω_N of EN 1991-1-5 6.1.5: a temperature difference acts with a part of the uniform change, and the reverse.
    /// </summary>
    public const double OmegaM = 0.75;
    public const double OmegaN = 0.35;

    /// <param name="results">The results.</param>
    /// <param name="combinations">Own combinations and envelopes, each naming cases, envelopes and combinations above it.</param>
    /// <param name="traffic">The range of traffic, where it is known.</param>
    /// <param name="values">National values, for the generated combinations; null for none of those.</param>
    public EffectRanges(
        ModelResults results,
        ImmutableArray<OwnCombination> combinations,
        EffectRange? traffic = null,
        NationalValues? values = null
    )
    {
        List<EffectRange> all = [];
        List<string> unknown = [];
        EffectRange Of(ActionResult c) => EffectRange.Single(c.Id, c.Name, Group(c.Kind), c.Total, c.Stresses);
        List<EffectRange> cases = [.. results.Cases.Select(Of)];
        EffectRange Case(string id) => cases.First(c => c.Id == id);
        for (var stage = 0; stage < results.Steps.Length; stage++)
        {
            if (results.UpTo(stage) is var sum)
                all.Add(
                    EffectRange.Single(
                        $"upTo{stage + 1}",
                        CaseNames.After(results.Steps[stage].Stage),
                        "Built up to",
                        sum,
                        results.StressesUpTo(stage)
                    )
                );
        }
        var (built, creep, shrinkage) = (all[^1], Case("creep"), Case("shrinkage"));
        all.Add(EffectRange.Sum("permanent", CaseNames.Permanent, "Built up to", [(1, built), (1, creep), (1, shrinkage)]));
        all.AddRange(cases);
        foreach (var c in results.Cases.Where(c => c.Primary is not null))
        {
            ImmutableArray<FaceStresses> none = [.. new FaceStresses[results.Points.Length]];
            all.Add(EffectRange.Single($"{c.Id}p", CaseNames.Primary(c.Name), Group(c.Kind), c.Primary!, none));
            all.Add(EffectRange.Single($"{c.Id}s", CaseNames.Secondary(c.Name), Group(c.Kind), c.Effects, none));
        }
        all.Add(Temperature(Case));
        var settlements = cases.Where(c => c.Id.StartsWith("settlement", StringComparison.Ordinal)).ToList();
        // Any set of supports may settle: each adds where it worsens.
        if (settlements.Count > 0)
            all.Add(
                EffectRange.Sum(
                    "settlements",
                    CaseNames.Settlements,
                    "Envelopes",
                    [.. settlements.Select(s => (1.0, EffectRange.Envelope("", "", "", [(1, s)], true)))]
                )
            );
        all.Add(EffectRange.Envelope("windBoth", CaseNames.WindBoth, "Envelopes", [(1, Case("wind")), (-1, Case("wind"))]));
        all.Add(EffectRange.Envelope("brakingBoth", CaseNames.BrakingBoth, "Envelopes", [(1, Case("braking")), (-1, Case("braking"))]));
        if (traffic is not null)
            all.Add(traffic);
        if (values is not null)
            all.AddRange(Generated(results, cases, all, values));
        for (var i = 0; i < combinations.Length; i++)
        {
            var own = combinations[i];
            List<(double, EffectRange)> terms = [];
            foreach (var term in own.Terms)
            {
                if (all.Find(r => r.Name == term.Case) is { } range)
                    terms.Add((term.Factor, range));
                else
                    unknown.Add($"“{own.Name}” names “{term.Case}”, which is no case, envelope or combination above it.");
            }
            if (terms.Count == 0)
                continue;
            all.Add(
                own.IsEnvelope
                    ? EffectRange.Envelope($"combination{i + 1}", own.Name, "Own", terms)
                    : EffectRange.Sum($"combination{i + 1}", own.Name, "Own", terms)
            );
        }
        (All, Unknown) = ([.. all], [.. unknown]);
    }

    public ImmutableArray<EffectRange> All { get; }

    /// <summary>Terms of own combinations that name nothing.</summary>
    public ImmutableArray<string> Unknown { get; }

    public EffectRange? Find(string? id) => All.FirstOrDefault(r => r.Id == id);

    /// <summary>
    /// Temperature beside traffic: γ_Q, ψ₀ and ψ₂ of EN 1990 Table A2.1 and A2.4(B); traffic beside temperature by the greater ψ₀, that
    /// of the tandem.
    /// </summary>
    private const double TemperatureGamma = 1.5;
    private const double TemperaturePsi0 = 0.6;
    private const double TemperaturePsi2 = 0.5;
    private const double TrafficPsi0 = 0.75;

    /// <summary>
    /// Combinations by EN 1990 6.4.3 and 6.5.3: ultimate, Σγ_G·G + P + γ_Q·Q₁ + γ_Q·ψ₀·Q₂ with traffic or temperature leading, each
    /// permanent load with γ_G,sup where it worsens and γ_G,inf where it relieves; characteristic; quasi-permanent. Prestress, creep
    /// and
    /// shrinkage have the factor 1. Without current traffic only temperature varies.
    /// </summary>
    private static IEnumerable<EffectRange> Generated(
        ModelResults results,
        List<EffectRange> cases,
        List<EffectRange> all,
        NationalValues values
    )
    {
        var temperature = all.Find(r => r.Id == "temperature")!;
        var traffic = all.Find(r => r.Id == "traffic");
        bool IsWeight(EffectRange r) => results.Find(r.Id) is { Kind: ActionKind.Stage, Primary: null };
        bool IsPermanent(EffectRange r) => results.Find(r.Id) is { Kind: ActionKind.Stage or ActionKind.LongTerm };
        List<(double, EffectRange)> one = [.. cases.Where(IsPermanent).Select(c => (1.0, c))];
        List<(double, EffectRange)> factored =
        [
            .. cases
                .Where(IsPermanent)
                .Select(c =>
                    (1.0, IsWeight(c) ? EffectRange.Envelope("", "", "", [(values["gammaGsup"], c), (values["gammaGinf"], c)]) : c)
                ),
        ];
        List<(double, EffectRange)> Variable(double onTraffic, double onTemperature) =>
            traffic is null ? [(onTemperature, temperature)] : [(onTraffic, traffic), (onTemperature, temperature)];
        EffectRange Sum(string id, string name, List<(double, EffectRange)> permanent, List<(double, EffectRange)> variable) =>
            EffectRange.Sum(id, name, "Combinations", [.. permanent, .. variable]);
        var leading = traffic is null ? TemperatureGamma : TemperatureGamma * TemperaturePsi0;
        yield return Sum("ultimateTraffic", CaseNames.UltimateTraffic, factored, Variable(values["gammaQtraffic"], leading));
        yield return Sum(
            "ultimateTemperature",
            CaseNames.UltimateTemperature,
            factored,
            Variable(values["gammaQtraffic"] * TrafficPsi0, TemperatureGamma)
        );
        yield return Sum("characteristic", CaseNames.Characteristic, one, Variable(1, traffic is null ? 1 : TemperaturePsi0));
        yield return Sum("quasiPermanent", CaseNames.QuasiPermanent, one, Variable(0, TemperaturePsi2));
    }

    /// <summary>ΔT_M + ω_N·ΔT_N or ω_M·ΔT_M + ΔT_N, whichever is worse, of both signs each (EN 1991-1-5 6.1.5).</summary>
    private static EffectRange Temperature(Func<string, EffectRange> of)
    {
        List<(double, EffectRange)> together = [];
        foreach (var difference in new[] { "heating", "cooling" })
        {
            foreach (var uniform in new[] { "expansion", "contraction" })
            {
                together.Add((1, EffectRange.Sum("", "", "", [(1, of(difference)), (OmegaN, of(uniform))])));
                together.Add((1, EffectRange.Sum("", "", "", [(OmegaM, of(difference)), (1, of(uniform))])));
            }
        }
        return EffectRange.Envelope("temperature", CaseNames.Temperature, "Envelopes", together, true);
    }

    private static string Group(ActionKind kind) =>
        kind switch
        {
            ActionKind.Stage => "Put on in stages",
            ActionKind.LongTerm => "With time",
            ActionKind.Temperature => "Temperature",
            ActionKind.Settlement => "Settlements",
            ActionKind.Horizontal => "Wind and braking",
            _ => "Own",
        };
}
