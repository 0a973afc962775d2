using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Findings;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Runs;
using Pravik.Core.Stages;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

/// <summary>Decks in units between joints, and their patterns.</summary>
public class UnitTests
{
    private static Bridge Parted(Bridge bridge, params int[] joints) =>
        bridge with
        {
            Axes = bridge.Axes with
            {
                Own = bridge.Axes.Own.AddRange(joints.Select(j => KeyValuePair.Create($"{j}", new AxisOwn { Kind = AxisKind.Joint }))),
            },
        };

    [Fact]
    public void A_joint_parts_the_deck_and_leaves_its_gap()
    {
        var bridge = Parted(TestBridges.Symmetric(0, 20, 25, 15), 2);
        bridge = bridge with
        {
            Deck = bridge.Deck with { JointGap = 0.06, Units = bridge.Deck.Units.Add("2", new() { Name = "East", EndOverhang = 0.9 }) },
        };
        var geometry = new BridgeGeometry(bridge);
        Assert.Equal(["Unit 1", "East"], geometry.Units.Select(u => u.Name));
        Assert.Equal([(0, 0), (1, 2)], geometry.Units.Select(u => (u.FirstSpan, u.LastSpan)));
        Assert.Equal((30 - 0.6, 50 - 0.03), geometry.Units[0].Ends(0));
        Assert.Equal((50 + 0.03, 90 + 0.9), geometry.Units[1].Ends(0));
        Assert.Equal((60 + 0.6 + 0.9 - 0.06) * 10.9, geometry.DeckArea, 1e-9);
        Assert.Equal([1, 2, 2, 2], new[] { 49.9, 50, 50.02, 70 }.Select(s => geometry.UnitAt(s).Number));
    }

    /// <summary>
    /// On a straight road with skew φ an end lies at station s₀ − o·tan φ. A section near a joint therefore cuts two units, each to the
    /// offset where
    /// its end lies, and within the gap none.
    /// </summary>
    [Fact]
    public void A_section_near_a_skewed_joint_cuts_both_units_and_the_gap()
    {
        var skew = 20 * Math.PI / 180;
        var geometry = new BridgeGeometry(Parted(TestBridges.Symmetric(skew, 20, 25), 2));
        var cuts = geometry.CutAt(50.5);
        Assert.Equal([2, 1], cuts.Select(c => c.Unit.Number).Reverse());
        double Offset(double end) => -(50.5 - end) / Math.Tan(skew);
        Assert.Equal((-5.45, Offset(49.98)), (cuts[0].From, cuts[0].To), new WithinTolerance(1e-9));
        Assert.Equal((Offset(50.02), 5.45), (cuts[1].From, cuts[1].To), new WithinTolerance(1e-9));
        // Ahead at the right edge of the axis, behind it at the left.
        Assert.Equal((1, 2, 2), (geometry.UnitAt(50.5, -3).Number, geometry.UnitAt(50.5).Number, geometry.UnitAt(50.5, 3).Number));
        Assert.Equal((2, 1), (geometry.UnitAt(49.5, 3).Number, geometry.UnitAt(49.5, 1).Number));
        Assert.Empty(geometry.CutAt(20));
        Assert.Equal((-5.45, 5.45), (geometry.CutAt(40).Single().From, geometry.CutAt(40).Single().To));
    }

    private sealed class WithinTolerance(double tolerance) : IEqualityComparer<(double, double)>
    {
        public bool Equals((double, double) x, (double, double) y) =>
            Math.Abs(x.Item1 - y.Item1) < tolerance && Math.Abs(x.Item2 - y.Item2) < tolerance;

        public int GetHashCode((double, double) pair) => 0;
    }

    /// <summary>Nothing passes over a joint: every unit gives the same effects and resistances as a bridge of its own.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(15)]
    [InlineData(30)]
    public void Units_carry_as_separate_bridges_do(double degrees)
    {
        var skew = degrees * Math.PI / 180;
        var whole = TestBridges.Run(Parted(TestBridges.Symmetric(skew, 18, 16, 20), 3));
        Assert.All(
            whole.Model.Cases.Where(c => c.Kind != ActionKind.Settlement),
            c => Assert.True(c.Account.Imbalance < 1e-8, $"{c.Name}: {c.Account.Imbalance}")
        );
        foreach (var (spans, first, at) in new[] { (new[] { 18.0, 16 }, 0, 30.0), ([20.0], 2, 64.0) })
        {
            var alone = TestBridges.Symmetric(skew, spans);
            var results = TestBridges.Run(alone with { Road = TestBridges.Straight(200), Axes = alone.Axes with { FirstStation = at } });
            List<int> mine =
            [
                .. Enumerable
                    .Range(0, whole.Points.Length)
                    .Where(p => whole.Points[p].Span >= first && whole.Points[p].Span < first + spans.Length),
            ];
            Assert.Equal(results.Points.Length, mine.Count);
            double Edges(BridgeResults r, int p) => r.Model.Cases.Single(c => c.Name == CaseNames.Edges).Effects[p, GirderEffect.M];
            double Most(BridgeResults r, int p) => r.Model.Traffic!["LM1"].Greatest[p, GirderEffect.M];
            double Least(BridgeResults r, int p) => r.Model.Traffic!["LM1"].Least[p, GirderEffect.M];
            for (var a = 0; a < mine.Count; a++)
            {
                foreach (var of in new[] { Edges, Most, Least })
                    Assert.Equal(of(results, a), of(whole, mine[a]), 1 + Math.Abs(of(results, a)) * 1e-6);
            }
        }
    }

    [Fact]
    public void Own_values_of_a_unit_stand_in_place_of_the_patterns_and_go_with_no_other()
    {
        var bridge = Parted(TestBridges.Symmetric(0, 20, 25, 15), 2, 3);
        var narrow = new DeckPattern
        {
            Name = "Narrow",
            Right =
            [
                new() { Width = 3 },
                new()
                {
                    Kind = StripKind.EdgeBeam,
                    Width = 0.4,
                    Upstand = 0.1,
                },
            ],
        };
        bridge = bridge with
        {
            Deck = bridge.Deck with
            {
                Patterns = [.. bridge.Deck.Patterns, narrow],
                Units = bridge
                    .Deck.Units.Add("2", new() { SlabThickness = 0.25, Left = new DeckUnit().Left.Add("0", new() { Width = 4 }) })
                    .Add("3", new() { Pattern = "Narrow" }),
            },
        };
        Assert.DoesNotContain(BridgeValidation.Check(bridge), f => f.Severity == Severity.Error);
        var geometry = new BridgeGeometry(bridge);
        Assert.Equal([-5.45, -5.95, -5.45], geometry.Units.Select(u => u.Shape.LeftEdge(60)));
        Assert.Equal([5.45, 5.45, 3.4], geometry.Units.Select(u => u.Shape.RightEdge(60)));
        Assert.Equal([0.22, 0.25, 0.22], geometry.Units.Select(u => u.Shape.At(60).Thickness(1)));
        // Girders are set out in each unit from its own edges, and step aside over the joint.
        Assert.Equal([-4.45, -4.95, -4.45], geometry.Girders[0].Spans.Select(s => s!.StartOffset));
        var model = new ModelBuilder(geometry, geometry.Bridge.Model).Build(StageState.Finished(geometry.SpanCount));
        Assert.Equal(geometry.SpanCount * 2 * geometry.Girders.Length, model.Seats.Length);
    }

    [Fact]
    public void A_unit_keeps_what_is_its_own_while_its_joint_is_away()
    {
        var bridge = TestBridges.Symmetric(0, 20, 25);
        bridge = bridge with { Deck = bridge.Deck with { Units = bridge.Deck.Units.Add("2", new() { SlabThickness = 0.3 }) } };
        Assert.Equal(0.22, new BridgeGeometry(bridge).Units.Single().Shape.At(60).Thickness(0));
        Assert.Equal(0.3, new BridgeGeometry(Parted(bridge, 2)).Units[1].Shape.At(60).Thickness(0));
    }

    public static TheoryData<string, string, Func<Bridge, Bridge>> Wrong { get; } =
        new()
        {
            { "/axes/own/3/kind", "between", b => Parted(b, 3) },
            { "/deck/units/2/startOverhang", "overlap by 80 mm", b => With(b, "2", new() { StartOverhang = 0.1 }) },
            { "/deck/units/2/pattern", "not known", b => With(b, "2", new() { Pattern = "Wide" }) },
            { "/deck/units/two", "not the number of an axis", b => With(b, "two", new()) },
            { "/deck/units/2", "missing", b => With(b, "2", null!) },
            { "/deck/patterns/1/name", "two patterns", b => b with { Deck = b.Deck with { Patterns = [.. b.Deck.Patterns, new()] } } },
            { "/deck/patterns", "at least one", b => b with { Deck = b.Deck with { Patterns = [] } } },
            {
                "/deck/patterns/0/left/0/widthLine",
                "no line “Kerb”",
                b => b with { Deck = b.Deck.With(p => p with { Left = p.Left.SetItem(0, p.Left[0] with { WidthLine = "Kerb" }) }) }
            },
            { "/parapets/0/line", "no line “Kerb”", b => b with { Parapets = [new() { Line = "Kerb" }] } },
        };

    private static Bridge With(Bridge bridge, string key, DeckUnit unit) =>
        bridge with
        {
            Deck = bridge.Deck with { Units = bridge.Deck.Units.Add(key, unit) },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_is_wrong_with_a_unit_is_found_at_its_place(string path, string words, Func<Bridge, Bridge> change)
    {
        var findings = BridgeValidation.Check(change(Parted(TestBridges.Symmetric(0, 20, 25), 2)));
        Assert.Contains(findings, f => f.Severity == Severity.Error && f.Path == path && f.Message.Contains(words));
    }
}
