using Pravik.Core.Models;

namespace Pravik.Core.Tests.Analysis.Stages;

/// <summary>Rows of the mesh, and with them the places of checks, stand where steel of a girder changes.</summary>
public class MeshRowTests
{
    [Fact]
    public void Changes_take_the_place_of_the_nearest_even_rows()
    {
        Assert.Equal([0, 0.25, 0.5, 0.75, 1], MeshRows.With(4, []).At.AsEnumerable());
        Assert.Equal([0, 0.26, 0.5, 0.75, 1], MeshRows.With(4, [0.26]).At.AsEnumerable());
        // Between two rows: both are near enough to stay; nearer to one than four tenths of a piece it gives way.
        Assert.Equal([0, 0.25, 0.375, 0.5, 0.75, 1], MeshRows.With(4, [0.375]).At.AsEnumerable());
        // The middle and the ends stay; what is all but there shares the row.
        Assert.Equal([0, 0.25, 0.45, 0.5, 0.75, 1], MeshRows.With(4, [0.45, 0.46, 0.51, 0.01, 1]).At.AsEnumerable());
    }

    /// <summary>Parts are known by the even row before them: others that come or go do not rename them.</summary>
    [Fact]
    public void Rows_keep_their_names_where_others_come_and_go()
    {
        Assert.Equal(["8", "9", "10", "11", "12"], MeshRows.Even(4).Names(8));
        Assert.Equal(["8", "9", "9a", "10", "11", "12"], MeshRows.With(4, [0.375]).Names(8));
        // A row just before an even one, which gives way: that name is gone, the others stay.
        Assert.Equal(["0", "0a", "2", "3", "4"], MeshRows.With(4, [0.24]).Names(0));
    }

    /// <summary>What is the same from both ends stays so, at least as many rows as pieces are there, and every change has one.</summary>
    [Theory]
    [InlineData(20, new[] { 0.04, 0.11, 0.115, 0.27, 0.3, 0.42 })]
    [InlineData(7, new[] { 0.13, 0.2, 0.4999 })]
    public void Rows_are_the_same_from_both_ends(int pieces, double[] changes)
    {
        var rows = MeshRows.With(pieces, changes.SelectMany(c => new[] { 1 - c, c })).At;
        Assert.Equal(rows.Reverse().Select(r => Math.Round(1 - r, 9)), rows.Select(r => Math.Round(r, 9)));
        Assert.All(changes, c => Assert.Contains(rows, r => Math.Abs(r - c) <= 0.1 / pieces + 1e-9));
        Assert.All(rows.Zip(rows.Skip(1)), p => Assert.InRange(p.Second - p.First, 0.02 / pieces, 1.5 / pieces));
        Assert.True(rows.Length > pieces);
    }

    /// <summary>
    /// Bars that end at 0.27 of the span are looked at there, where they carry nothing yet, under the moment of that place: more than at
    /// the even row before it.
    /// </summary>
    [Fact]
    public void The_end_of_bars_is_a_place_of_checks()
    {
        var bridge = TestBridges.Read("osier-cut.json");
        var girders = bridge.Girders.Typed(t =>
            t with
            {
                Bars =
                [
                    .. t.Bars,
                    new()
                    {
                        From = 0.27,
                        To = 0.73,
                        Level = 0.2,
                    },
                ],
            }
        );
        var results = TestBridges.Run(bridge with { Girders = girders });
        var ends = results.Members.SelectMany(m => m.Points).Where(p => Math.Abs(results.Points[p.Number].Fraction - 0.27) < 1e-9).ToList();
        Assert.Equal(results.Points.Select(p => (p.Girder, p.Span)).Distinct().Count(), ends.Count);
        var name = $"bars, row {bridge.Girders.Types[0].Bars.Length + 1}";
        Assert.All(ends, p => Assert.All(p.Section!.Bars.Where(b => b.Name == name), b => Assert.Equal(0, b.FromEnd, 1e-9)));
    }

    /// <summary>In the demo bond of debonded strands begins, and zones of links and bars over piers end, at places of checks.</summary>
    [Fact]
    public void Debonding_links_and_bars_over_piers_have_places()
    {
        var demo = TestBridges.Demo;
        var rows = MeshRows.Of(new(demo), demo.Model)[0].At;
        var (span, type) = (demo.Axes.Spans[0], demo.Girders.Types[0]);
        Assert.Contains(rows, r => Math.Abs(r - (1 - demo.Girders.PierBars.Reach / span)) < 0.1 / 20);
        Assert.Contains(rows, r => Math.Abs(r * span - type.Strands.Rows[0].DebondedLength) < 0.1 / 20 * span + 0.5);
        Assert.True(rows.Length >= 20);
    }
}
