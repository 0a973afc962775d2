using Pravik.Core.Bridges;
using Pravik.Core.Effects;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;
using Pravik.Core.Validation;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Tests.Traffic;

/// <summary>Loadings kept as cases of their own give the values behind which they stood, and influence surfaces as they are looked at.</summary>
public class KeptTrafficTests
{
    private static readonly Bridge Skew = TestBridges.Symmetric(0.35, 18, 24);

    /// <summary>
    /// On straight decks to a millionth of the greatest value; on a curve lengths are measured between lines of the mesh here and along the
    /// road there. Shear is not among them: traffic's stands on one side of a wheel, a case tells the mean of both.
    /// </summary>
    [Theory]
    [InlineData("skew", 1e-6)]
    [InlineData("tansy-lane.json", 1e-6)]
    [InlineData("sorrel-brook.json", 1e-4)]
    public void A_loading_that_is_kept_gives_its_value(string name, double tolerance)
    {
        var bridge = name == "skew" ? Skew : TestBridges.Read(name);
        Gives(bridge with { Model = bridge.Model with { Divisions = 10 } }, tolerance);
    }

    /// <summary>Moments of the slab per metre too.</summary>
    [Fact]
    public void Loadings_of_the_slab_that_are_kept_give_its_moments()
    {
        Gives(
            Skew with
            {
                Model = new()
                {
                    Kind = ModelKind.Shells,
                    Divisions = 8,
                    SlabPlaces = [new() { Station = 60, Offset = -1.9 }],
                },
            },
            1e-6
        );
    }

    /// <summary>
    /// Single wheels in any place, axles with three, one vehicle that takes two lanes, and right wheels that carry more: the same.
    /// </summary>
    [Fact]
    public void Single_wheels_that_are_kept_give_their_value()
    {
        Axle[] axles =
        [
            new(120e3, 0) { Wheels = [-1.2, 0.9] },
            new(50e3, 2.5) { Wheels = [0.4] },
            new(90e3, 0) { Wheels = [-1.1, -0.6] },
            new(200e3, 3),
        ];
        var odd = new Vehicle("Odd", [.. axles]);
        Gives(
            Skew with
            {
                Model = Skew.Model with { Divisions = 10 },
                Traffic = new()
                {
                    Uneven = 0.2,
                    Vehicles = [odd, odd with { Name = "Whole", StaysOnDeck = true }],
                    Models = [new() { Name = "LM3 3600/240/240" }, new() { Name = "Odd" }, new() { Name = "Whole" }],
                },
            },
            1e-6,
            true
        );
    }

    private static void Gives(Bridge bridge, double tolerance, bool isChosenAlone = false)
    {
        var before = ModelRun.Run(new(bridge));
        var layout = before.Layout;
        var middle = layout.Points.Select((p, i) => (p, i)).First(x => x.p.Girder == 1 && x.p.Fraction > 0.45).i;
        int[] effects =
        [
            layout.At(middle, GirderEffect.M),
            layout.At(middle, GirderEffect.T),
            layout.At(middle, GirderEffect.Deflection),
            layout.At(middle + 2, GirderEffect.Bottom),
            layout.AtSeat(1) + 2,
            layout.AtEnd(layout.Members.Length / 2, false) + (int)GirderEffect.M,
            .. Enumerable.Range(layout.AtSlab(0), EffectLayout.OfSlab * layout.Slab.Length),
        ];
        var kept = before
            .Traffic!.Models.Where(m => !isChosenAlone || bridge.Traffic.Models.Any(u => u.Name == m.Model!.Name))
            .SelectMany(m => effects.Select(e => (Model: m, Effect: e)))
            .SelectMany(k => new[] { true, false }.Select(greatest => (k.Model, k.Effect, IsGreatest: greatest)))
            .Where(k => k.Model.Loads(k.Effect, k.IsGreatest).Count > 0)
            .ToList();
        Assert.True(kept.Count >= 2 * effects.Length);
        var cases = kept.Select(
            (k, i) =>
                new OwnCase
                {
                    Name = $"kept {i}",
                    Action = OwnAction.Counted,
                    Loads = [.. k.Model.Loads(k.Effect, k.IsGreatest)],
                }
        );
        var with = bridge with { Actions = bridge.Actions with { Cases = [.. cases] } };
        Assert.DoesNotContain(BridgeValidation.Check(with), f => f.Path.StartsWith("/actions/cases", StringComparison.Ordinal));
        var after = ModelRun.Run(new(with), withTraffic: false);
        for (var i = 0; i < kept.Count; i++)
        {
            var (model, effect, greatest) = kept[i];
            var expected = (greatest ? model.Greatest : model.Least)[effect];
            var scale = Math.Max(Math.Abs(model.Greatest[effect]), Math.Abs(model.Least[effect]));
            Assert.Equal(expected, after.Find(CaseId.Own(i + 1))!.Effects[effect], tolerance * scale);
        }
    }

    /// <summary>Footways too: what 1 N/m² on the parts that worsen gives.</summary>
    [Fact]
    public void Footways_that_are_kept_give_their_value()
    {
        var before = ModelRun.Run(new(Skew with { Deck = TestBridges.Demo.Deck }));
        var effect = before.Layout.AtSeat(0) + 2;
        var loads = before.Traffic!.Footways.Loads(effect, true);
        Assert.NotEmpty(loads);
        var with = Skew with
        {
            Deck = TestBridges.Demo.Deck,
            Actions = Skew.Actions with { Cases = [new() { Action = OwnAction.Counted, Loads = [.. loads] }] },
        };
        var value = ModelRun.Run(new(with), withTraffic: false).Find(CaseId.Own(1))!.Effects[effect];
        Assert.Equal(before.Traffic.Footways.Greatest[effect], value, 1e-6 * Math.Abs(value));
    }

    /// <summary>
    /// The ordinate at the middle of a simple span of one girder is L/4 there, and its volume w·L²/8 with the deck's width; an area of
    /// 1 N/m² over the deck gives the same.
    /// </summary>
    [Fact]
    public void A_surface_is_the_influence_line_of_a_beam()
    {
        var bridge = TestBridges.OneGirder(20) with
        {
            Model = new() { Kind = ModelKind.Line, Divisions = 20 },
        };
        var results = ModelRun.Run(new(bridge));
        var point = Array.FindIndex([.. results.Points], p => Math.Abs(p.Fraction - 0.5) < 1e-9);
        var surface = results.Traffic!.Surface(results.Layout.At(point, GirderEffect.M))!;
        var seen = new SurfaceOnDeck(new(bridge), results.Finished.Mesh, surface);
        Assert.Equal(5, seen.Greatest.Ordinate, 1e-9);
        Assert.Equal(20, seen.Greatest.At.Station, 1e-9);
        Assert.Equal(3 * 20 * 20 / 8.0, seen.Above, 1e-6);
        Assert.Equal(0, seen.Below, 1e-6);
        Assert.Equal(2.5, seen.Along(0).At(15), 1e-9);
        Assert.Equal(50, seen.Along(0.7).Integral(30), 1e-9);
    }

    /// <summary>Parts above and below 0, where a surface crosses it within pieces, add up to the effect of a load all over the deck.</summary>
    [Fact]
    public void Volumes_of_a_surface_add_up_to_an_even_load()
    {
        var all = new OwnLoad
        {
            Kind = OwnLoadKind.Patch,
            Station = 30,
            ToStation = 72,
            Value = 1,
        };
        var straight = TestBridges.Symmetric(0, 18, 24) with { Model = new() { Divisions = 8 } };
        var geometry = new Pravik.Core.Places.BridgeGeometry(straight);
        all = all with { Offset = geometry.LeftEdge(40), ToOffset = geometry.RightEdge(40) };
        var bridge = straight with { Actions = straight.Actions with { Cases = [new() { Loads = [all] }] } };
        var results = ModelRun.Run(new(bridge));
        foreach (var effect in new[] { GirderEffect.M, GirderEffect.T, GirderEffect.Deflection })
        {
            var at = results.Layout.At(4, effect);
            var seen = new SurfaceOnDeck(geometry, results.Finished.Mesh, results.Traffic!.Surface(at)!);
            Assert.True(seen.Above > 0 && seen.Below < 0);
            var even = results.Find(CaseId.Own(1))!.Effects[at];
            Assert.Equal(even, seen.Above + seen.Below, 2e-3 * Math.Max(seen.Above, -seen.Below));
        }
    }
}
