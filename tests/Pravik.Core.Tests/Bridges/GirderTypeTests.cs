using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Quantities;
using Pravik.Core.Runs;
using Pravik.Core.Tests.Design;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

/// <summary>Types of girders: who has which, and that each girder is modelled and checked with its own.</summary>
public sealed class GirderTypeTests
{
    private static readonly Bridge Demo = TestBridges.OneType;
    private static readonly GirderType Usual = Demo.Girders.Types[0];

    /// <summary>More strands and stronger concrete.</summary>
    private static readonly GirderType Stronger = Usual with
    {
        Name = "Type B",
        Concrete = new() { Class = "C60/75" },
        Strands = Usual.Strands with { Rows = [.. Usual.Strands.Rows, new() { Level = 0.16, Count = 4 }] },
    };

    private static Bridge With(Func<Girders, Girders> change) =>
        Demo with
        {
            Girders = change(Demo.Girders with { Types = [Usual, Stronger] }),
        };

    private static Girders Outer(Girders girders) =>
        girders with
        {
            Own = new[] { "1-1", "1-2", "1-3", "5-1", "5-2", "5-3" }.ToImmutableSortedDictionary(
                k => k,
                _ => new GirderOwn { Type = "Type B" }
            ),
        };

    [Fact]
    public void Own_type_comes_before_that_of_the_span_and_that_of_all()
    {
        var geometry = new BridgeGeometry(
            With(g =>
                g with
                {
                    Types = [Usual, Stronger, Usual with { Name = "Type C" }],
                    Type = "Type C",
                    Spans = g.Spans.SetItem("2", new() { Type = "Type B" }).SetItem("3", new() { Follows = "2" }),
                    Own = g.Own.SetItem("4-2", new() { Type = "Type A" }),
                }
            )
        );
        string Of(int girder, int span) => geometry.TypeOf(geometry.Girders[girder - 1], span - 1).Name;
        Assert.Equal(["Type C", "Type B", "Type A", "Type B"], [Of(1, 1), Of(1, 2), Of(4, 2), Of(4, 3)]);
        Assert.Equal([0, 1, 2], geometry.Sections.TypesInUse);
    }

    /// <summary>Types that are alike but for their names are one type.</summary>
    [Fact]
    public void Two_types_that_are_alike_give_the_results_of_one()
    {
        var (one, two) = (
            TestBridges.Run(Demo),
            TestBridges.Run(With(g => Outer(g) with { Types = [Usual, Usual with { Name = "Type B" }] }))
        );
        foreach (var kind in new[] { ActionKind.Prestress, ActionKind.Creep, ActionKind.Shrinkage })
        {
            double Moment(BridgeResults run, int p) => run.Model.Cases.Where(c => c.Kind == kind).Sum(c => c.Effects.Forces(p).M);
            for (var p = 0; p < one.Points.Length; p += 7)
                Assert.Equal(Moment(one, p), Moment(two, p), 1);
        }
        Assert.Equal(one.Governing!.Utilisation, two.Governing!.Utilisation, 1e-9);
    }

    [Fact]
    public void Each_girder_is_modelled_with_the_concrete_of_its_type()
    {
        var geometry = new BridgeGeometry(With(Outer));
        var model = new ModelBuilder(geometry, geometry.Bridge.Model).Build(StageState.Finished(geometry.SpanCount));
        double Modulus(int girder) => model.Frame.Materials[model.Frame.Beams[model.GirderBeams[girder][0]].Material].E;
        var (outer, inner) = (Concrete.Of(Stronger.Concrete).Ecm, Concrete.Of(Usual.Concrete).Ecm);
        Assert.Equal([outer, inner, inner, inner, outer], [.. Enumerable.Range(0, 5).Select(Modulus)], (a, b) => Math.Abs(a - b) < 1);
        // The slab is as stiff as it is, whatever it is told against.
        Assert.Equal(Concrete.Of(Demo.Materials.Slab).Ecm, model.Sections[0][5]!.Ratio * outer, 1);
        Assert.Equal(Concrete.Of(Demo.Materials.Slab).Ecm, model.Sections[1][5]!.Ratio * inner, 1);
    }

    /// <summary>A girder resists as in a deck in which all are of its type.</summary>
    [Fact]
    public void Resistance_is_that_of_the_girders_own_type()
    {
        var (mixed, usual, strong) = (
            TestBridges.Run(With(Outer)),
            TestBridges.Run(Demo),
            TestBridges.Run(With(g => g with { Type = "Type B" }))
        );
        double Resistance(Bridge bridge, int girder) =>
            new GirderResistance(bridge).At(new ModelPoint(girder, 1, 0, 0.5, 0, 0), Bending.Sagging)!.Moment;
        var ofStrong = With(g => g with { Type = "Type B" });
        Assert.Equal(Resistance(ofStrong, 0), Resistance(With(Outer), 0), 1);
        Assert.Equal(Resistance(Demo, 2), Resistance(With(Outer), 2), 1);
        Assert.True(Resistance(ofStrong, 0) > 1.1 * Resistance(Demo, 0));
        // Primary prestress goes as the strands: 26 to 22.
        double Force(BridgeResults run, int girder) =>
            run
                .Model.Cases.Single(c => c.Kind == ActionKind.Prestress)
                .Effects.Forces(run.Points.IndexOf(run.Points.First(p => p is { Span.Value: 1, Fraction: 0.5 } && p.Girder == girder)))
                .N;
        Assert.Equal(26.0 / 22, Force(strong, 2) / Force(usual, 2), 0.01);
        Assert.True(Math.Abs(Force(mixed, 0) / Force(mixed, 2) - 26.0 / 22) < 0.03);
    }

    [Fact]
    public void The_bill_counts_every_type()
    {
        var bill = Bill.Of(new(With(Outer)), null);
        Assert.Equal(2, bill.Count(i => i.Key.StartsWith("concrete.girders.", StringComparison.Ordinal)));
        Assert.Contains(bill, i => i.Words == "Strands, 22 or 26 in a girder");
        var (all, usual) = (Amount(bill, "concrete.girders.C45/55") + Amount(bill, "concrete.girders.C60/75"), Bill.Of(new(Demo), null));
        Assert.Equal(Amount(usual, "concrete.girders"), all, 1e-9);
        // Two of five girders have 26 strands for 22.
        Assert.InRange(Amount(bill, "steel.strands") / Amount(usual, "steel.strands"), 1 + 0.39 * 4 / 22, 1 + 0.41 * 4 / 22);

        static double Amount(IReadOnlyList<BillItem> bill, string key) => bill.Single(i => i.Key == key.Replace('/', '-')).Amount;
    }

    [Fact]
    public void Who_names_a_part_is_found()
    {
        var bridge = With(g => Outer(g) with { Type = "Type B", Spans = g.Spans.SetItem("1", new() { Type = "Type B" }) }) with
        {
            Actions = Demo.Actions with { Stages = [new() { Name = "All", Loads = "edges, Cable, surfacing" }] },
        };
        bridge = bridge with { Girders = bridge.Girders with { Tendons = [new() { Name = "Cable" }] } };
        Assert.Equal(8, References.To(bridge, "/girders/types/1").Count());
        Assert.Empty(References.To(bridge, "/girders/types/0"));
        Assert.Empty(References.To(bridge, "/girders/types/9"));
        var load = Assert.Single(References.To(bridge, "/girders/tendons/0"));
        Assert.Equal(("/actions/stages/0/loads", "edges, Rope, surfacing"), (load.Path, load.Renamed("Rope")));
    }

    public static TheoryData<string, Func<Girders, Girders>> Bad =>
        new()
        {
            { "/girders/types", g => g with { Types = [] } },
            { "/girders/types/1/name", g => g with { Types = [Usual, Usual] } },
            { "/girders/types/1/name", g => g with { Types = [Usual, Stronger with { Name = " " }] } },
            { "/girders/types/1/section", g => g with { Types = [Usual, Stronger with { Section = "None" }] } },
            { "/girders/types/1/concrete/class", g => g with { Types = [Usual, Stronger with { Concrete = new() { Class = "C46" } }] } },
            { "/girders/types/1/concrete", g => g with { Types = [Usual, Stronger with { Concrete = null! }] } },
            { "/girders/types/1/strands/rows", g => g with { Types = [Usual, Stronger with { Strands = null! }] } },
            { "/girders/types/1/camber", g => g with { Types = [Usual, Stronger with { Camber = 2 }] } },
            { "/girders/type", g => g with { Type = "Type Z" } },
            { "/girders/spans/2/type", g => g with { Spans = g.Spans.SetItem("2", new() { Type = "Type Z" }) } },
            { "/girders/own/2-2/type", g => g with { Own = g.Own.SetItem("2-2", new() { Type = "Type Z" }) } },
        };

    [Theory]
    [MemberData(nameof(Bad))]
    public void What_is_wrong_is_told_at_its_place(string path, Func<Girders, Girders> spoil) =>
        Assert.Contains(BridgeValidation.Check(With(spoil)), f => f.Severity == Severity.Error && f.Path == path && f.Message.Length > 10);
}
