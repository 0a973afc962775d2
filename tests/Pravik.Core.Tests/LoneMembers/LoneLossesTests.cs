using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.LoneMembers;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Sections;
using Pravik.Core.Stages;
using Pravik.Exchange;
using static Pravik.Core.Tests.LoneMembers.LoneBeams;

namespace Pravik.Core.Tests.LoneMembers;

/// <summary>Losses of the strands of a member alone, with creep and shrinkage of member and slab against each other.</summary>
public class LoneLossesTests
{
    /// <summary>A rectangle without weight, 0.4 by 0.6 m, with 20 strands at its centroid, beyond transmission everywhere.</summary>
    private static LoneMember Centred =>
        Of(10) with
        {
            Overhang = 3,
            UnitWeight = 1e-5,
            Sections = [Rectangle(0.4, 0.6)],
            Strands = new() { Rows = [new() { Level = 0.3, Count = 10 }, new() { Level = 0.3, Count = 10 }] },
        };

    private static int Middle(LoneRun run)
    {
        var places = run.Places.Places;
        return Enumerable.Range(0, places.Length).MinBy(i => Math.Abs(places[i].At - run.Places.Ends[^1] / 2));
    }

    /// <summary>
    /// Strands at the centroid lose (σ_p0 by elastic shortening)·1/(1 + αρ), and in an interval (E_p·(φ·σ_c/E_cm + ε_cs) + 0.8·Δσ_pr)/(1 +
    /// E_p/Ē·ρ): with one interval alone EN 1992-1-1 (5.46).
    /// </summary>
    [Fact]
    public void Strands_at_the_centroid_lose_what_the_closed_form_says()
    {
        var run = new LoneRun(Centred with { Time = new() { LoadedOn = 3 } });
        var (losses, p) = (run.Effects.Losses!, Middle(run));
        var (steel, concrete) = (PrestressingSteel.Of(new()), run.Sections.Concrete);
        var ratio = 20 * steel.Area / (0.4 * 0.6);
        var jack = 1380e6 * (1 - steel.Relaxation(1380e6 / steel.Fpk, 72));
        var released = jack / (1 + steel.Ep / run.Sections.Early.Ecm * ratio);
        Assert.Equal(released, losses.Released(p)[0], 1.0);

        // h0 = 2A/u = 0.24 m.
        Assert.Equal(0.24, losses.Size, 1e-9);
        var (creep, shrinkage) = (new Creep(concrete, 0.75, 0.24, "N"), new Shrinkage(concrete, 0.75, 0.24, "N"));
        var (phi, shrunk) = (creep.At(36500, 3), shrinkage.At(36500) - shrinkage.At(3));
        var level = released / steel.Fpk;
        var relaxed = 0.8 * released * (steel.Relaxation(level, 500_000) - steel.Relaxation(level, 72));
        var free = steel.Ep * (phi * ratio * released / concrete.Ecm + shrunk) + relaxed;
        var expected = released - free / (1 + steel.Ep / concrete.Ecm * (1 + 0.8 * phi) * ratio);
        Assert.Equal(expected, losses.Now(p)[0], 1.0);
        Assert.Equal(losses.Now(p)[1], losses.Steps(p, 1).Sum(s => s.Change), 1.0);
        // What the concrete keeps is the force of the strands that is left.
        Assert.Equal(-ratio * expected, run.Effects.Prestress[p, GirderEffect.Bottom], 10.0);
    }

    /// <summary>
    /// Two equal layers, of which one would be longer by Δε, bend to 1.5·Δε/h (Timoshenko, Analysis of Bi-metal Thermostats, 1925, (4), for
    /// equal thicknesses and moduli), and lengthen by half of it.
    /// </summary>
    [Fact]
    public void A_plane_section_bends_as_two_strips_do()
    {
        SectionProperties Layer(double from) => new(0.5 * 0.2, from + 0.1, 0.5 * Math.Pow(0.2, 3) / 12, from + 0.2);
        var plane = StrainLine.Balanced([(30e9, Layer(0), default), (30e9, Layer(0.2), new(1e-3, 0))]);
        Assert.Equal(1.5 * 1e-3 / 0.4, plane.Slope, 1e-12);
        Assert.Equal(0.5e-3, plane.At(0.2), 1e-12);
        // A part alone takes its free strain; parts that would take the same are free of stress.
        Assert.Equal(new(1e-4, 2e-5), StrainLine.Balanced([(30e9, Layer(0), new(1e-4, 2e-5))]), Near);
        var alike = StrainLine.Balanced([(30e9, Layer(0), new(1e-4, 2e-5)), (10e9, Layer(0.2), new(1e-4, 2e-5))]);
        Assert.Equal(new(1e-4, 2e-5), alike, Near);
    }

    private static bool Near(StrainLine a, StrainLine b) => Math.Abs(a.Soffit - b.Soffit) < 1e-15 && Math.Abs(a.Slope - b.Slope) < 1e-15;

    /// <summary>
    /// A girder of a bridge of one span by its stages and as a member alone: two ways of the program that share no structure, the same
    /// losses, and the same stresses by creep, shrinkage and losses.
    /// </summary>
    [Fact]
    public void A_member_loses_what_the_girder_of_a_bridge_loses()
    {
        var bridge = TestBridges.OneGirder(20);
        var girders = bridge.Girders.Typed(t => t with { Strands = t.Strands with { EffectiveStress = null } });
        Stage[] stages =
        [
            new()
            {
                Name = "Girders",
                Day = 3,
                Girders = "all",
            },
            new()
            {
                Name = "Slab",
                Day = 60,
                Pours = "all",
            },
            new()
            {
                Name = "Loads",
                Day = 63,
                Loads = "edges, surfacing",
            },
        ];
        bridge = bridge with { Girders = girders, Actions = bridge.Actions with { Stages = [.. stages] } };
        var (geometry, results) = (new BridgeGeometry(bridge), TestBridges.Run(bridge));
        var at = Enumerable.Range(0, results.Points.Length).MinBy(i => Math.Abs(results.Points[i].Fraction - 0.5));
        double Load(Func<ActionResult, bool> which) =>
            8 * results.Model.Cases.Where(which).Sum(c => c.Effects[at, GirderEffect.M]) / (20 * 20);
        var alone = GirderAlone.Of(geometry, results, new(0), new(0));
        var weight = Load(c => c.Name == "Girders");
        var member = alone with
        {
            Effects = null,
            Strands = girders.Types[0].Strands,
            UnitWeight = weight / geometry.SectionOf(geometry.Girders[0], new SpanIndex(0), 0.5).Properties.GrossArea,
            Slab = alone.Slab! with { Weighs = 0 },
            Time = new()
            {
                Humidity = bridge.Actions.Humidity,
                Cement = bridge.Actions.Cement,
                LoadedOn = 63,
            },
            Cases =
            [
                new()
                {
                    Name = "Slab",
                    BeforeSlab = true,
                    Loads = [new() { Value = Load(c => c.Name.StartsWith("Slab, cast", StringComparison.Ordinal)) }],
                },
                new() { Name = "Later", Loads = [new() { Value = Load(c => c.Kind == ActionKind.Surfacing) }] },
            ],
        };
        var run = new LoneRun(member);
        var p = Middle(run);
        var ofBridge = results.Members[0].Points.First(point => point.Number == at).Section!.Strands;
        for (var row = 0; row < ofBridge.Length; row++)
        {
            Assert.Equal(ofBridge[row].StressAtRelease, run.Effects.Losses!.Released(p)[row], 0.01e6);
            // The water of the slab's concrete is a case of the bridge alone.
            Assert.Equal(ofBridge[row].EffectiveStress, run.Effects.Losses.Now(p)[row], 1e6);
        }
        foreach (var kind in new[] { ActionKind.Creep, ActionKind.Shrinkage, ActionKind.Losses })
        {
            foreach (var face in new[] { GirderEffect.Bottom, GirderEffect.GirderTop, GirderEffect.SlabTop })
            {
                var expected = results.Model.Cases.Where(c => c.Kind == kind).Sum(c => c.Effects[at, face]);
                var found = run.Effects.Cases.Where(c => c.Kind == kind).Sum(c => c.Range.Greatest[p, face]);
                Assert.Equal(expected, found, 0.1e6);
            }
        }
    }

    /// <summary>
    /// A slab that shrinks later than its member bends it down and pulls itself; stages are checked; an entered stress says what it leaves
    /// out.
    /// </summary>
    [Fact]
    public void Losses_bring_stages_and_their_checks()
    {
        var text = File.ReadAllText(Path.Combine(TestBridges.Root, "examples", "members", "marl-pit-beam.json"));
        var member = Formats.Member.Read(text).Document!;
        var run = new LoneRun(member with { Strands = member.Strands with { EffectiveStress = null } });
        var p = Middle(run);
        var shrinkage = run.Effects.Cases.Where(c => c.Kind == ActionKind.Shrinkage).ToList();
        Assert.True(shrinkage.Sum(c => c.Range.Greatest[p, GirderEffect.SlabTop]) > 0);
        Assert.True(shrinkage.Sum(c => c.Range.Greatest[p, GirderEffect.Deflection]) < 0);
        Assert.Equal(["At release", "Slab cast", "After all permanent loads"], run.Effects.Stages.Select(s => s.Name));
        foreach (var check in new[] { "stress.release", "stress.building", "strands.released", "strands.service" })
            Assert.Contains(run.Checks.Outcomes, o => o.Check == check);
        Assert.DoesNotContain(run.Checks.NotChecked, n => n.Contains("creep", StringComparison.Ordinal));
        var entered = new LoneRun(member with { Strands = member.Strands with { EffectiveStress = 1080e6 } });
        Assert.Contains(entered.Checks.NotChecked, n => n.Contains("creep", StringComparison.Ordinal));
    }

    /// <summary>Later loads and moist air lose less; nothing lengthens strands.</summary>
    [Fact]
    public void Losses_grow_with_dry_air_and_early_loads()
    {
        double Now(LoneTime time)
        {
            var run = new LoneRun(Centred with { Time = time });
            return run.Effects.Losses!.Now(Middle(run))[0];
        }
        Assert.True(Now(new() { Humidity = 0.5 }) < Now(new() { Humidity = 0.9 }));
        Assert.True(Now(new() { LastDay = 36500 }) < Now(new() { LastDay = 1000 }));
    }
}
