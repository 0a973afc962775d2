using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Analysis.Stages;

/// <summary>Losses of prestress, from the jack to year 100.</summary>
public sealed class LossTests
{
    private static ModelResults Run(Bridge bridge) => ModelRun.Run(new(bridge), withTraffic: false);

    private static Bridge New() =>
        Bridge.New("New") is var bridge ? bridge with { Model = bridge.Model with { Kind = ModelKind.Line } } : null!;

    private static int Middle(ModelResults results) =>
        Enumerable
            .Range(0, results.Points.Length)
            .First(p => results.Points[p].Girder == 2 && Math.Abs(results.Points[p].Fraction - 0.5) < 1e-6);

    private static Bridge Strands(Bridge bridge, Func<Strands, Strands> change) =>
        bridge with
        {
            Girders = bridge.Girders.Typed(t => t with { Strands = change(t.Strands) }),
        };

    /// <summary>
    /// f_ck(t) of C45/55 with cement N at 3 days: s = 0.25, β_cc = e^(0.25·(1 − √(28/3))) = 0.5982; f_cm = 31.71, f_ck = 23.71 MPa, f_ctm =
    /// 0.5982·3.795 = 2.271 MPa, E_cm = 0.5982^0.3·36.28 = 31.10 GPa. A day at 60 °C in them counts e^(13.65 − 4000/333)/e^(13.65 −
    /// 4000/293) = 5.16 days: 7.16 in all.
    /// </summary>
    [Fact]
    public void Concrete_at_release_by_hand()
    {
        var early = new EarlyConcrete(Concrete.Of(new ConcreteGrade { Class = "C45/55" }), "N", 3);
        Assert.Equal(0.5982, early.Growth, 1e-4);
        Assert.Equal(23.71e6, early.Fck, 1e4);
        Assert.Equal(2.271e6, early.Fctm, 1e3);
        Assert.Equal(31.10e9, early.Ecm, 1e7);
        Assert.Equal(7.16, (early with { HeatTemperature = 60, HeatHours = 24 }).Maturity, 0.01);
        Assert.Equal(45e6, (early with { Age = 40 }).Fck);
        Assert.Equal(38e6, (early with { Entered = 38e6 }).Fck, 1.0);
        Assert.Equal(1.14 * 1.14 * 10, PrestressingSteel.HeatHours(22, 10), 1e-9);
    }

    /// <summary>
    /// The new bridge, G3 in the middle, worked out again by superposition in some 400 steps of time, with strands, creep and shrinkage
    /// written anew (A = 0.4562 m², z = 0.57473 m, I = 0.081828 m⁴; 12 + 4 strands at 60 and 110 mm; own weight 531.0, slab 608.8 on day 60,
    /// surfacing 270.0 kNm on day 120 on the composite section): 1294.61 and 1298.14 MPa after release, 1225.23 and 1230.99 on day 28,
    /// 1198.90 and 1204.58 on day 90, 1115.17 and 1121.02 in year 100; then −5.96 MPa at the soffit, −4.99 at the girder's top.
    /// </summary>
    [Fact]
    public void A_simple_girder_to_year_100_agrees_with_many_steps_of_time()
    {
        var results = Run(New());
        var (strands, i) = (results.Strands, Middle(results));
        Assert.Equal([1294.61, 1298.14], strands.AtRelease(i)!.Select(s => Math.Round(s / 1e6, 2)));
        double[] After(double day) => strands.After(i, strands.Steps.Count(s => s.To <= day))!;
        foreach (var (day, first, second) in new[] { (28.0, 1225.23, 1230.99), (90, 1198.90, 1204.58), (36500, 1115.17, 1121.02) })
        {
            Assert.Equal(1380 - first, 1380 - After(day)[0] / 1e6, 0.01 * (1380 - first));
            Assert.Equal(1380 - second, 1380 - After(day)[1] / 1e6, 0.01 * (1380 - second));
        }
        double Stress(GirderEffect face) =>
            results.Cases.Where(c => (c.Stage ?? 9) != 9 && !c.IsPassing || c.Until > 0).Sum(c => c.Effects[i, face]);
        Assert.Equal(-5.96e6, Stress(GirderEffect.Bottom), 0.1e6);
        Assert.Equal(-4.99e6, Stress(GirderEffect.GirderTop), 0.1e6);
    }

    /// <summary>
    /// One row, girder alone: the loss of an interval is that of EN 1992-1-1 (5.46), Δσ = (ε_cs·E_p + 0.8·Δσ_pr + E_p/E_cm·φ·σ_c)/(1 +
    /// E_p/E_cm·A_p/A_c·(1 + A_c/I_c·z_cp²)·(1 + 0.8·φ)).
    /// </summary>
    [Fact]
    public void In_the_yard_the_loss_is_that_of_the_standard()
    {
        var bridge = Strands(New(), s => s with { Rows = [new() { Level = 0.1, Count = 12 }] });
        var results = Run(bridge);
        var (strands, i) = (results.Strands, Middle(results));
        var section = results.Finished.Sections[2][results.Finished.RowOf(results.Points[i])]!;
        double Told(string symbol) => results.TimeValues.First(t => t.Symbol == symbol && t.Name.Contains("day 2 to 28")).Value;
        var (phi, shrunk) = (Told("φ_girder"), Told("ε_cs,girder") / 1000);
        var (steel, released) = (PrestressingSteel.Of(bridge.Materials.Strand), strands.AtRelease(i)![0]);
        var (ratio, area, lever) = (steel.Ep / section.Modulus, 12 * steel.Area, section.Girder.Centroid - 0.1);
        var weight = results.Cases[0].Effects[i, GirderEffect.M];
        var compression =
            released * area * (1 / section.Girder.Area + lever * lever / section.Girder.SecondMoment)
            - weight * lever / section.Girder.SecondMoment;
        var relaxed = released * (steel.Relaxation(released / steel.Fpk, 24 * 28) - steel.Relaxation(released / steel.Fpk, 24 * 2));
        var soft =
            1
            + ratio
                * area
                / section.Girder.Area
                * (1 + section.Girder.Area / section.Girder.SecondMoment * lever * lever)
                * (1 + 0.8 * phi);
        var loss = (shrunk * steel.Ep + 0.8 * relaxed + ratio * phi * compression) / soft;
        Assert.Equal(-loss, strands.Steps.Where(s => s.From == 2 && s.To == 28).Sum(s => s.Changes[i]![0]), 1e-3 * loss);
    }

    /// <summary>What strands lose the concrete gains: the change of force in the model is that of the strands, at every point.</summary>
    [Fact]
    public void The_model_carries_the_force_of_the_strands()
    {
        var results = Run(TestBridges.Demo);
        var area = PrestressingSteel.Of(TestBridges.Demo.Materials.Strand).Area;
        for (var p = 0; p < results.Points.Length; p++)
        {
            var now = results.Strands.At(p);
            var force = now is null ? 0 : results.Strands.RowsAt(p).Sum(r => r.Area * now[r.Index]);
            var model = results
                .Cases.Where(c => c.Secondary is not null)
                .Sum(c => c.Effects[p, GirderEffect.N] - c.Secondary![p, GirderEffect.N]);
            Assert.Equal(-force, model, 1.0);
        }
        Assert.Contains(results.Strands.RowsAt(Middle(results)), r => r.Area > 11.9 * area);
    }

    [Fact]
    public void An_entered_stress_has_no_losses_and_more_stress_at_the_jack_loses_more()
    {
        var entered = Run(Strands(New(), s => s with { EffectiveStress = 1000e6 }));
        Assert.All(entered.Strands.At(Middle(entered))!, s => Assert.Equal(1000e6, s));
        Assert.DoesNotContain(entered.Cases, c => c.Kind == Core.Codes.ActionKind.Losses);
        double Lost(double jack)
        {
            var results = Run(Strands(New(), s => s with { JackStress = jack }));
            return jack - results.Strands.At(Middle(results))![0];
        }
        Assert.True(Lost(1400e6) > Lost(1300e6));
    }

    [Fact]
    public void What_cannot_be_stressed_or_released_is_told_at_its_place()
    {
        void Told(Bridge bridge, string path) => Assert.Contains(BridgeValidation.Check(bridge), f => f.Path == path);
        Told(Strands(New(), s => s with { JackStress = 1500e6 }), "/girders/types/0/strands/jackStress");
        Told(Strands(New(), s => s with { JackStress = -1 }), "/girders/types/0/strands/jackStress");
        var bridge = New();
        Told(bridge with { Girders = bridge.Girders with { Release = new() { Age = 90 } } }, "/girders/release/age");
        Told(bridge with { Girders = bridge.Girders with { Release = new() { Age = 28 } }, Actions = Early }, "/actions/stages/0/day");
        Told(bridge with { Girders = bridge.Girders with { Release = new() { Strength = 1 } } }, "/girders/release/strength");
        Told(bridge with { Materials = bridge.Materials with { Exposure = "XY9" } }, "/materials/exposure");
    }

    private static Actions Early { get; } =
        new()
        {
            Stages =
            [
                new()
                {
                    Name = "Girders",
                    Girders = "all",
                    Day = 5,
                },
                new()
                {
                    Name = "Slab",
                    Pours = "all",
                    Day = 30,
                },
            ],
        };
}
