using System.Collections.Immutable;

namespace Pravik.Core.Codes;

/// <summary>Limit states for which actions are combined (EN 1990 6.4.3, 6.5.3).</summary>
public enum LimitState
{
    /// <summary>Ultimate, persistent and transient situations, expression (6.10).</summary>
    Ultimate,

    /// <summary>Ultimate, accidental situations, expression (6.11); extreme events of AASHTO LRFD.</summary>
    Accidental,

    /// <summary>Characteristic.</summary>
    Characteristic,

    /// <summary>Frequent.</summary>
    Frequent,

    /// <summary>Quasi-permanent.</summary>
    QuasiPermanent,

    /// <summary>Ranges of traffic alone, for fatigue.</summary>
    Fatigue,
}

/// <summary>What is said of limit states.</summary>
public static class LimitStates
{
    /// <summary>Whether resistances are asked for: of prestress the secondary part acts, the primary being part of them.</summary>
    public static bool IsUltimate(this LimitState state) => state is LimitState.Ultimate or LimitState.Accidental;

    /// <summary>A limit state of EN 1990 in words, as it begins a sentence.</summary>
    public static string Words(this LimitState state) =>
        state switch
        {
            LimitState.Ultimate => "Ultimate",
            LimitState.Accidental => "Accidental",
            LimitState.Characteristic => "Characteristic",
            LimitState.Frequent => "Frequent",
            LimitState.Fatigue => "Fatigue",
            _ => "Quasi-permanent",
        };
}

/// <summary>
/// What a combination takes of traffic: a group of EN 1991-2 Table 4.4a, or its combination, frequent or quasi-permanent value.
/// </summary>
public enum TrafficGroup
{
    /// <summary>None.</summary>
    None,

    /// <summary>Load model 1 with the reduced load on footways.</summary>
    Group1a,

    /// <summary>The same with ψ₀, beside another leading action.</summary>
    Group1aBeside,

    /// <summary>The same with ψ₁.</summary>
    Group1aFrequent,

    /// <summary>The same with ψ₂.</summary>
    Group1aQuasiPermanent,

    /// <summary>A single axle.</summary>
    Group1b,

    /// <summary>Braking with the frequent value of load model 1.</summary>
    Group2,

    /// <summary>Footways alone.</summary>
    Group3,

    /// <summary>A crowd on carriageways and footways.</summary>
    Group4,

    /// <summary>Special vehicles with the frequent value of load model 1.</summary>
    Group5,

    /// <summary>Upright loads of railway traffic.</summary>
    Rail,

    /// <summary>Vehicular live load with its allowance and braking, and pedestrians (AASHTO LRFD LL, IM, BR, PL).</summary>
    Live,

    /// <summary>Permit vehicles alone (AASHTO LRFD Strength II).</summary>
    Permit,

    /// <summary>The fatigue truck (AASHTO LRFD 3.6.1.4).</summary>
    FatigueTruck,

    /// <summary>Fatigue load models, the worst of those that are chosen (EN 1991-2 4.6).</summary>
    FatigueModels,
}

/// <summary>The combination value that actions of the engineer's own have in a combination.</summary>
public enum OwnPart
{
    /// <summary>ψ₀, beside what leads.</summary>
    Psi0,

    /// <summary>ψ₁, frequent.</summary>
    Psi1,

    /// <summary>ψ₂, quasi-permanent.</summary>
    Psi2,
}

/// <summary>
/// Factors of one combination of actions. Permanent weights have one factor where they worsen and another where they relieve; variable
/// actions and settlements act only where they worsen; prestress has the factor 1.
/// </summary>
public sealed record CombinationRule(string Id, string Name, LimitState State, string Clause)
{
    /// <summary>γ of weights where they worsen.</summary>
    public double WeightAdverse { get; init; } = 1;

    /// <summary>γ of weights where they relieve.</summary>
    public double WeightRelieving { get; init; } = 1;

    /// <summary>γ of surfacing where it worsens; null for that of weights, with its thickness varied (EN 1991-1-1 5.2.3(3)).</summary>
    public double? SurfacingAdverse { get; init; }

    /// <summary>γ of surfacing where it relieves; null as before.</summary>
    public double? SurfacingRelieving { get; init; }

    /// <summary>Whether permanent actions are left out: the range of what varies alone.</summary>
    public bool IsRange { get; init; }

    /// <summary>Factor of settlements.</summary>
    public double Settlement { get; init; } = 1;

    /// <summary>On what creep and shrinkage restrain.</summary>
    public double Restraint { get; init; } = 1;

    /// <summary>Which group of traffic actions.</summary>
    public TrafficGroup Group { get; init; }

    /// <summary>Factor of that group.</summary>
    public double Traffic { get; init; }

    /// <summary>Factor of temperature, uniform change and difference together, either leading (EN 1991-1-5 6.1.5).</summary>
    public double Temperature { get; init; }

    /// <summary>Factor of the uniform change of temperature by itself.</summary>
    public double Uniform { get; init; }

    /// <summary>Factor of the difference of temperature by itself.</summary>
    public double Difference { get; init; }

    /// <summary>On wind on the deck alone.</summary>
    public double Wind { get; init; }

    /// <summary>On wind on deck and traffic, with ψ₀ or as much as goes with traffic, whichever is less (EN 1990 A2.2.2(5)).</summary>
    public double WindWithTraffic { get; init; }

    /// <summary>On an accidental action of the engineer's own, one at a time.</summary>
    public double Accidental { get; init; }

    /// <summary>On variable actions of the engineer's own, times their combination value.</summary>
    public double Own { get; init; }

    /// <summary>Which combination factor own actions have.</summary>
    public OwnPart OwnPart { get; init; }
}

/// <summary>Combinations of actions on road bridges by EN 1990 Annex A2, every leading action in turn.</summary>
/// <remarks>
/// Wind is not combined with braking or with footways alone, nor with temperature (A2.2.2(3), (6)). Accidental actions are those that
/// the engineer enters, one at a time, with the frequent values of what leads beside them (A2.2.5); all own variable actions have ψ₁
/// there, on the safe side. Fatigue is the range of road load models alone (EN 1991-2 4.6). Snow and earthquakes are not covered.
/// </remarks>
public static class RoadCombinations
{
    /// <summary>All rules.</summary>
    /// <param name="v">National values.</param>
    /// <param name="indirectAtUltimate">
    /// Whether temperature, settlement, creep and shrinkage count at the ultimate state; they may be left out where ductility and rotation
    /// capacity are sufficient (EN 1992-1-1 2.3.1.2(2), 2.3.1.3(3), 2.3.2.2(2)).
    /// </param>
    public static ImmutableArray<CombinationRule> Rules(NationalValues v, bool indirectAtUltimate) =>
        [
            .. Ultimate(v, indirectAtUltimate ? 1 : 0),
            .. Accidental(v, indirectAtUltimate ? 1 : 0),
            .. Characteristic(v),
            .. Frequent(v),
            .. QuasiPermanent(v),
            new("fatigue.models", "Fatigue, load models alone", LimitState.Fatigue, "EN 1991-2 4.6")
            {
                IsRange = true,
                Group = TrafficGroup.FatigueModels,
                Traffic = 1,
            },
        ];

    private static IEnumerable<CombinationRule> Accidental(NationalValues v, double indirect)
    {
        CombinationRule Rule(string id, string beside) =>
            new($"accidental.{id}", $"Accidental, with {beside}", LimitState.Accidental, "EN 1990 (6.11b), Table A2.5")
            {
                Settlement = indirect,
                Restraint = indirect,
                Temperature = indirect * v["psi2temperature"],
                Accidental = 1,
                Own = 1,
                OwnPart = OwnPart.Psi1,
            };
        yield return Rule("traffic", "traffic") with
        {
            Group = TrafficGroup.Group1aFrequent,
            Traffic = 1,
        };
        yield return Rule("rail", "railway traffic") with
        {
            Group = TrafficGroup.Rail,
            Traffic = v["psi1rail"],
        };
        yield return Rule("wind", "wind") with
        {
            Wind = v["psi1wind"],
            Group = TrafficGroup.Group1aQuasiPermanent,
            Traffic = 1,
        };
    }

    private static IEnumerable<CombinationRule> Ultimate(NationalValues v, double indirect)
    {
        var (traffic, other) = (v["gammaQtraffic"], v["gammaQother"]);
        CombinationRule Rule(string id, string leading) =>
            new($"ultimate.{id}", $"Ultimate, {leading}", LimitState.Ultimate, "EN 1990 (6.10), Table A2.4(B)")
            {
                WeightAdverse = v["gammaGsup"],
                WeightRelieving = v["gammaGinf"],
                Settlement = indirect * v["gammaGset"],
                Restraint = indirect * v["gammaSH"],
                Own = other,
                OwnPart = OwnPart.Psi0,
            };
        return Leading(v, Rule, (traffic, v["gammaQrail"]), other, indirect * other);
    }

    private static IEnumerable<CombinationRule> Characteristic(NationalValues v) =>
        Leading(
            v,
            (id, leading) =>
                new($"characteristic.{id}", $"Characteristic, {leading}", LimitState.Characteristic, "EN 1990 (6.14b)")
                {
                    Own = 1,
                    OwnPart = OwnPart.Psi0,
                },
            (1, 1),
            1,
            1
        );

    /// <summary>Each action leading in turn, with factors on road and railway traffic, on wind and on temperature.</summary>
    private static IEnumerable<CombinationRule> Leading(
        NationalValues v,
        Func<string, string, CombinationRule> rule,
        (double Road, double Rail) factors,
        double other,
        double temperature
    )
    {
        var (traffic, rail) = factors;
        var beside = temperature * v["psi0temperature"];
        CombinationRule Traffic(string id, string words, TrafficGroup group) => rule(id, words) with { Group = group, Traffic = traffic };
        yield return Traffic("traffic", "traffic leading, with temperature", TrafficGroup.Group1a) with
        {
            Temperature = beside,
        };
        yield return Traffic("trafficWind", "traffic leading, with wind", TrafficGroup.Group1a) with
        {
            WindWithTraffic = other,
        };
        yield return Traffic("braking", "braking leading", TrafficGroup.Group2) with
        {
            Temperature = beside,
        };
        yield return Traffic("footways", "footways leading", TrafficGroup.Group3) with
        {
            Temperature = beside,
        };
        // Neither wind nor temperature goes with a single axle or a crowd (EN 1990 A2.2.2).
        yield return Traffic("axle", "single axle leading", TrafficGroup.Group1b);
        yield return Traffic("crowd", "crowd leading", TrafficGroup.Group4);
        yield return Traffic("special", "special vehicle leading, with temperature", TrafficGroup.Group5) with
        {
            Temperature = beside,
        };
        yield return Traffic("rail", "railway traffic leading, with temperature", TrafficGroup.Rail) with
        {
            Traffic = rail,
            Temperature = beside,
        };
        if (temperature > 0)
            yield return Traffic("railBeside", "temperature leading, with railway traffic", TrafficGroup.Rail) with
            {
                Traffic = rail * v["psi0rail"],
                Temperature = temperature,
            };
        // Without temperature it is there for own actions, of which each leads in its place.
        var words = temperature > 0 ? "temperature leading" : "traffic beside what leads";
        yield return Traffic("temperature", words, TrafficGroup.Group1aBeside) with
        {
            Temperature = temperature,
        };
        yield return rule("wind", "wind leading") with
        {
            Wind = other,
        };
    }

    private static IEnumerable<CombinationRule> Frequent(NationalValues v)
    {
        CombinationRule Rule(string id, string leading) =>
            new($"frequent.{id}", $"Frequent, {leading}", LimitState.Frequent, "EN 1990 (6.15b), Table A2.1")
            {
                Own = 1,
                OwnPart = OwnPart.Psi2,
            };
        var quasi = TrafficGroup.Group1aQuasiPermanent;
        yield return Rule("traffic", "traffic leading") with
        {
            Group = TrafficGroup.Group1aFrequent,
            Traffic = 1,
            Temperature = v["psi2temperature"],
        };
        yield return Rule("axle", "single axle leading") with
        {
            Group = TrafficGroup.Group1b,
            Traffic = v["psi1axle"],
            Temperature = v["psi2temperature"],
        };
        yield return Rule("rail", "railway traffic leading") with
        {
            Group = TrafficGroup.Rail,
            Traffic = v["psi1rail"],
            Temperature = v["psi2temperature"],
        };
        yield return Rule("footways", "footways leading") with
        {
            Group = TrafficGroup.Group3,
            Traffic = v["psi1footway"],
            Temperature = v["psi2temperature"],
        };
        yield return Rule("temperature", "temperature leading") with
        {
            Group = quasi,
            Traffic = 1,
            Temperature = v["psi1temperature"],
        };
        yield return Rule("wind", "wind leading") with
        {
            Wind = v["psi1wind"],
            Group = quasi,
            Traffic = 1,
        };
    }

    private static IEnumerable<CombinationRule> QuasiPermanent(NationalValues v)
    {
        yield return new("quasiPermanent.all", "Quasi-permanent", LimitState.QuasiPermanent, "EN 1990 (6.16b), Table A2.1")
        {
            Group = TrafficGroup.Group1aQuasiPermanent,
            Traffic = 1,
            Temperature = v["psi2temperature"],
            Own = 1,
            OwnPart = OwnPart.Psi2,
        };
    }
}
