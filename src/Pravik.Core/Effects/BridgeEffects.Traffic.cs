using Pravik.Core.Codes;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Effects;

// Groups of traffic actions.
public sealed partial class BridgeEffects
{
    private void AddTraffic(EffectRange braking)
    {
        if (results.Traffic is not { } traffic)
            return;
        if (bridge.Basis.Standard == Standard.Lrfd)
            AddLive(traffic, braking);
        else
            AddGroups(traffic, braking);
    }

    /// <summary>Traffic at its frequent value and trains, by themselves; null for none.</summary>
    public EffectRange? FrequentTraffic => CombinationParts.FrequentTraffic(groups);

    private static EffectRange Load(TrafficEnvelope of, string name) => EffectRange.Of(name, of);

    /// <summary>Footways under a load (N/m²); they are placed under 1 N/m².</summary>
    private EffectRange Footways(TrafficResults traffic, double load) =>
        EffectRange.Scaled(
            FormattableString.Invariant($"Footways, {load / 1000:0.0#} kN/m²"),
            load,
            Load(traffic.Footways, "Footways"),
            layout
        );

    private void Group(TrafficGroup group, string name, string clause, params (double, EffectRange)[] terms) =>
        groups[group] = Add(EffectRange.Sum(name, terms, layout), new($"traffic{group}"), "Traffic", clause);

    /// <summary>
    /// Live load of AASHTO LRFD: HL-93 with braking and with 0.075 ksf on footways (3.6.1.6), which are not counted as a loaded lane;
    /// permit vehicles alone; the fatigue truck.
    /// </summary>
    private void AddLive(TrafficResults traffic, EffectRange braking)
    {
        const double Pedestrians = 3590.8;
        var usual = TrafficPlan.Usual(bridge);
        Group(
            TrafficGroup.Live,
            "Live load: HL-93, braking, centrifugal force, pedestrians",
            "AASHTO LRFD 3.6.1, 3.6.3, 3.6.4",
            (1, Load(traffic[usual.Name], usual.Name)),
            (1, WithCentrifugal(braking, "AASHTO LRFD 3.6.3")),
            (1, Footways(traffic, Pedestrians))
        );
        var chosen = AddModels(traffic);
        EffectRange[] permits = [.. chosen.Where(m => m.Role == TrafficRole.Special).Select(m => EffectRange.Of(m.Name, traffic[m.Name]))];
        if (permits.Length > 0)
            Group(
                TrafficGroup.Permit,
                "Permit vehicles",
                "AASHTO LRFD 3.4.1, Strength II",
                (1, EffectRange.Envelope("Permit vehicles", [.. permits.Select(p => (1.0, p))]))
            );
        Group(
            TrafficGroup.FatigueTruck,
            "Fatigue truck",
            "AASHTO LRFD 3.6.1.4",
            (1, Load(traffic[TrafficModels.FatigueTruck], TrafficModels.FatigueTruck))
        );
        Add(
            EffectRange.Envelope(TrafficName, [(1, groups[TrafficGroup.Live]), .. permits.Select(p => (1.0, p))]),
            CaseId.Traffic,
            "Traffic",
            "AASHTO LRFD 3.6"
        );
    }

    /// <summary>Groups of EN 1991-2 Table 4.4a.</summary>
    private void AddGroups(TrafficResults traffic, EffectRange braking)
    {
        var (reduced, alone) = (Footways(traffic, values["footwayWithTraffic"]), Footways(traffic, values["footwayAlone"]));
        var characteristic = Load(traffic["LM1"], "Load model 1");
        var frequent = Load(traffic[EnRoadTraffic.Lm1With(values, "psi1").Name], "Load model 1, frequent");
        Group(
            TrafficGroup.Group1a,
            "Traffic, group 1a: load model 1 and footways",
            "EN 1991-2 Table 4.4a",
            (1, characteristic),
            (1, reduced)
        );
        Group(
            TrafficGroup.Group1aBeside,
            "Traffic, group 1a beside another action",
            "EN 1990 Table A2.1",
            (1, Load(traffic[EnRoadTraffic.Lm1With(values, "psi0").Name], "Load model 1, ψ₀")),
            (values["psi0footway"], reduced)
        );
        Group(
            TrafficGroup.Group1aFrequent,
            "Traffic, group 1a, frequent",
            "EN 1990 Table A2.1",
            (1, frequent),
            (values["psi1footway"], reduced)
        );
        Group(
            TrafficGroup.Group1aQuasiPermanent,
            "Traffic, group 1a, quasi-permanent",
            "EN 1990 Table A2.1",
            (1, Load(traffic[EnRoadTraffic.Lm1With(values, "psi2").Name], "Load model 1, ψ₂")),
            (values["psi2footway"], reduced)
        );
        Group(
            TrafficGroup.Group2,
            "Traffic, group 2: braking, centrifugal force",
            "EN 1991-2 Table 4.4a",
            (1, frequent),
            (1, WithCentrifugal(braking, "EN 1991-2 Table 4.3"))
        );
        Group(TrafficGroup.Group3, "Traffic, group 3: footways alone", "EN 1991-2 Table 4.4a", (1, alone));
        AddChosen(traffic, alone);
        TrafficGroup[] leading =
        [
            TrafficGroup.Group1a,
            TrafficGroup.Group1b,
            TrafficGroup.Group2,
            TrafficGroup.Group3,
            TrafficGroup.Group4,
            TrafficGroup.Group5,
            TrafficGroup.Rail,
        ];
        var worst = EffectRange.Envelope(TrafficName, [.. leading.Where(groups.ContainsKey).Select(g => (1.0, groups[g]))]);
        Add(worst, CaseId.Traffic, "Traffic", "EN 1991-2 Table 4.4a");
    }

    /// <summary>Models and own vehicles that the bridge names, each by itself.</summary>
    private List<TrafficModel> AddModels(TrafficResults traffic)
    {
        var chosen = TrafficPlan.Chosen(bridge).DistinctBy(m => m.Name).ToList();
        foreach (var model in chosen)
            Add(EffectRange.Of(model.Name, traffic[model.Name]), CaseId.OfTraffic(model.Name), "Traffic models", model.Source);
        return chosen;
    }

    /// <summary>The groups of those that enter combinations.</summary>
    private void AddChosen(TrafficResults traffic, EffectRange footways)
    {
        var chosen = AddModels(traffic);
        EffectRange[] Of(TrafficRole role) => [.. chosen.Where(m => m.Role == role).Select(m => EffectRange.Of(m.Name, traffic[m.Name]))];
        foreach (var axle in Of(TrafficRole.SingleAxle))
            Group(TrafficGroup.Group1b, "Traffic, group 1b: single axle", "EN 1991-2 Table 4.4a", (1, axle));
        foreach (var crowd in Of(TrafficRole.Crowd))
            Group(TrafficGroup.Group4, "Traffic, group 4: crowd and footways", "EN 1991-2 Table 4.4a", (1, crowd), (1, footways));
        var trains = chosen.Where(m => m.Role == TrafficRole.Rail).ToList();
        if (trains.Count > 0)
        {
            var along = OneOf(ActionKind.TrainAlong, "Traction and braking, either way", true);
            List<EffectRange> across = [.. AcrossTracks()];
            var each = trains.Select(m => (1.0, WithTrainForces(m, EffectRange.Of(m.Name, traffic[m.Name]), along, across)));
            Group(
                TrafficGroup.Rail,
                "Railway traffic with its horizontal forces",
                "EN 1991-2 Table 6.11",
                (1, EffectRange.Envelope("Railway traffic", [.. each]))
            );
        }
        EffectRange[] fatigue = Of(TrafficRole.Fatigue);
        if (fatigue.Length > 0)
            Group(
                TrafficGroup.FatigueModels,
                "Fatigue load models, the worst of them",
                "EN 1991-2 4.6",
                (1, EffectRange.Envelope("Fatigue load models", [.. fatigue.Select(f => (1.0, f))]))
            );
        var special = chosen.Where(m => m.Role == TrafficRole.Special).Select(m => TrafficPlan.WithFrequent(bridge, m)).ToList();
        if (special.Count > 0)
            Group(
                TrafficGroup.Group5,
                "Traffic, group 5: special vehicles",
                "EN 1991-2 Table 4.4a, Annex A",
                (1, EffectRange.Envelope("Special vehicles", [.. special.Select(m => (1.0, EffectRange.Of(m.Name, traffic[m.Name])))]))
            );
    }

    /// <summary>Cases of a kind, one of them or none, either way or as they are; null where there are none.</summary>
    private EffectRange? OneOf(ActionKind kind, string name, bool bothWays)
    {
        var each = Those(c => c.Kind == kind);
        if (bothWays)
            each.AddRange([.. each.Select(c => (-1.0, c.Item2))]);
        return each.Count == 0 ? null : EffectRange.OrNothing(name, each);
    }

    /// <summary>Braking with centrifugal force at any place, where there is any.</summary>
    private EffectRange WithCentrifugal(EffectRange braking, string clause)
    {
        if (OneOf(ActionKind.Centrifugal, "Centrifugal force, anywhere", false) is not { } force)
            return braking;
        Add(force, new("centrifugal"), Envelopes, clause);
        return EffectRange.Sum("Braking and centrifugal force", [(1, braking), (1, force)], layout);
    }

    /// <summary>
    /// Upright loads of trains with the horizontal forces of EN 1991-2 Table 6.11: those along whole and those across by half, or the
    /// reverse (groups 11 to 14, 16, 17, and 21 to 27 on two tracks); the unloaded train with those across alone (group 15).
    /// </summary>
    private EffectRange WithTrainForces(TrafficModel model, EffectRange upright, EffectRange? along, List<EffectRange> across)
    {
        EffectRange With(double ofAlong, double ofAcross) =>
            EffectRange.Sum(
                model.Name,
                [(1, upright), .. along is null ? [] : new[] { (ofAlong, along) }, .. across.Select(a => (ofAcross, a))],
                layout
            );
        return model.Name == "unloaded train" ? With(0, 1) : EffectRange.Envelope(model.Name, [(1, With(1, 0.5)), (1, With(0.5, 1))]);
    }

    /// <summary>What trains do across their tracks, each by itself or not at all.</summary>
    private IEnumerable<EffectRange> AcrossTracks()
    {
        foreach (var even in Those(c => c.Kind == ActionKind.TrainCentrifugal))
            yield return EffectRange.OrNothing(even.Item2.Name, [even]);
        if (OneOf(ActionKind.TrainCentrifugalAt, "Centrifugal force of axles", false) is { } axles)
            yield return axles;
        if (OneOf(ActionKind.Nosing, "Nosing, either way", true) is { } nosing)
            yield return nosing;
    }
}
