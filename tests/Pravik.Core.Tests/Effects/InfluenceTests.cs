using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Tests.Effects;

/// <summary>One functional reads a case and makes a surface: both must tell the same, for every effect and model.</summary>
public class InfluenceTests
{
    [Theory]
    [InlineData(ModelKind.Grillage, ModelSupports.Simple)]
    [InlineData(ModelKind.Grillage, ModelSupports.Bearings)]
    [InlineData(ModelKind.Shells, ModelSupports.Substructure)]
    [InlineData(ModelKind.Line, ModelSupports.Simple)]
    public void A_surface_is_what_a_unit_load_at_each_joint_does(ModelKind kind, ModelSupports supports)
    {
        var demo = TestBridges.Demo;
        var choices = demo.Model with
        {
            Kind = kind,
            Supports = supports,
            Divisions = 8,
            SlabPlaces = [new() { Station = demo.Axes.FirstStation + 10, Offset = 0.7 }],
        };
        var geometry = new BridgeGeometry(demo);
        var builder = new ModelBuilder(geometry, choices);
        var model = builder.Build(StageState.Finished(3));
        var layout = new EffectLayout(ModelPoint.All(geometry, builder.Mesh), model, builder.SlabPoints());
        var effects = new ModelEffects(model, layout);
        var analysis = new FrameAnalysis(model.Frame);
        List<FrameEffect> wanted = [];
        for (var p = 3; p < layout.Points.Length; p += 17)
        {
            wanted.AddRange(Enumerable.Range(0, EffectLayout.Forces).Select(c => effects.Force(p, c)));
            wanted.AddRange([effects.Deflection(p), effects.Stress(p, GirderEffect.Bottom)]);
        }
        for (var s = 0; s < model.Seats.Length; s += 7)
            wanted.AddRange(Enumerable.Range(0, EffectLayout.OfSeat).Select(c => effects.Seat(s, c)));
        for (var m = 0; m < model.Others.Length; m += 41)
            wanted.AddRange([ModelEffects.End(model.Others[m].Beam, 4, false), ModelEffects.End(model.Others[m].Beam, 2, true)]);
        for (var p = 0; p < layout.Slab.Length; p++)
            wanted.AddRange(Enum.GetValues<SlabEffect>().Select(e => effects.Slab(p, e)));
        Assert.Equal(kind == ModelKind.Shells, layout.Slab.Length > 0);
        int[] nodes = [.. model.Mesh.GirderLines.SelectMany((_, g) => new[] { 0, 5, 8, 13, 24 }.Select(l => model.Mesh.OfGirder(g, l)))];
        List<NodalLoad[]> loads = [.. nodes.Select(n => new[] { DeckShares.Down(n, 1) })];
        var cases = analysis.Solve([.. nodes.Select((n, i) => new FrameCase($"{i}") { Nodal = [.. loads[i]] })]).Cases;
        // Asked for few effects it puts effects on as loads, for many it solves the loads: both ways.
        foreach (var about in new[] { 0, 10_000 })
        {
            var ordinates = new InfluenceSolver(analysis, loads, about).Ordinates(wanted);
            for (var e = 0; e < wanted.Count; e++)
            {
                var size = Math.Max(1e-6, cases.Max(c => Math.Abs(wanted[e].Of(c))));
                for (var n = 0; n < nodes.Length; n++)
                    Assert.Equal(wanted[e].Of(cases[n]) / size, ordinates[e][n] / size, 1e-6);
            }
        }
    }
}
