using Pravik.Core.Checks.En1992;
using Pravik.Core.Codes;
using Pravik.Core.Materials;

namespace Pravik.Core.Tests.Design;

/// <summary>Strands where girders end, and the moment that the inclined struts shift.</summary>
public sealed class AnchorageTests
{
    /// <summary>
    /// Y1860S7 15.7 in C45/55, 1050 MPa left, by hand: f_ctm = 3.795 MPa, f_ctd = 1.771 MPa at 28 days and 1.240 MPa at release; σ_pm0 =
    /// min(0.75·1860, 0.85·1640) = 1394 MPa; l_pt2 = 1.2·1.25·0.19·15.7·1394/(3.2·1.240) = 1572 mm; σ_pd = 1640/1.15 = 1426 MPa;
    /// l_bpd = 1572 + 0.19·15.7·(1426 − 1050)/(1.2·1.771) = 2100 mm.
    /// </summary>
    [Fact]
    public void Transmission_and_anchorage_by_hand()
    {
        var strand = PrestressingSteel.Of(new() { Fp01k = 1640e6 });
        var concrete = Concrete.Of(new ConcreteGrade { Class = "C45/55" });
        var anchorage = new StrandAnchorage(
            strand,
            concrete,
            0.7 * concrete.Fctm,
            strand.MostAfterRelease,
            1050e6,
            NationalValues.Named(NationalValues.Recommended)!
        );
        Assert.Equal(1.572, anchorage.Transmission, 2e-3);
        Assert.Equal(2.100, anchorage.Anchorage, 3e-3);
        Assert.Equal(1426e6, anchorage.Design, 1e6);
        Assert.Equal(0, anchorage.At(-0.1));
        Assert.Equal(0, anchorage.At(0));
        Assert.Equal(0.5 * 1050 / 1426, anchorage.At(anchorage.Transmission / 2), 1e-3);
        Assert.Equal(1050.0 / 1426, anchorage.At(anchorage.Transmission), 1e-3);
        Assert.Equal(1, anchorage.At(anchorage.Anchorage), 1e-12);
        Assert.Equal(1, anchorage.At(10));
    }

    /// <summary>
    /// The tension at a section is that of the moment within a_l = 0.9·h·cot θ/2 on either side (9.2.1.3(2)): near an abutment, where the
    /// moment rises, that of the place a_l further on.
    /// </summary>
    [Fact]
    public void Near_an_abutment_the_moment_of_a_place_further_on_is_checked()
    {
        var demo = TestBridges.Demo;
        var run = TestBridges.Run(demo);
        var moments = run.Effects.Of(LimitState.Ultimate).Greatest;
        var h = 1.2 + demo.Deck.Haunch + demo.Deck.Patterns[0].Slab.Thickness;
        var shift = 0.9 * h * demo.Girders.StrutSlope / 2;
        var span = Enumerable.Range(0, run.Points.Length).Where(i => run.Points[i] is { Girder.Value: 2, Span.Value: 0 }).ToList();
        double At(double distance)
        {
            var k = span.FindIndex(i => run.Points[i].Distance >= distance);
            var (a, b) = (run.Points[span[k - 1]].Distance, run.Points[span[k]].Distance);
            double M(int i) => moments.Forces(span[i]).M;
            return M(k - 1) + (distance - a) / (b - a) * (M(k) - M(k - 1));
        }
        var begin = run.Points[span[0]].Distance;
        foreach (var point in span.Where(i => run.Points[i].Distance - begin is > 1 and < 5))
        {
            var outcome = run.Outcomes.Single(o => o.Point == point && o.Check == "bending.sagging");
            Assert.Equal(At(run.Points[point].Distance + shift), outcome.Effect, 1e-6 * outcome.Effect);
            Assert.True(outcome.Effect > moments.Forces(point).M);
        }
    }

    /// <summary>Resistance in sagging grows from a girder's end as strands are anchored, and is the same from there on.</summary>
    [Fact]
    public void Resistance_grows_with_what_is_anchored()
    {
        var demo = TestBridges.Demo;
        var (run, bending) = (TestBridges.Run(demo), new GirderResistance(demo));
        var sagging = run
            .Points.Where(p => p is { Girder.Value: 2, Span.Value: 0, Fraction: < 0.5 } && bending.Applies(p))
            .Select(p => bending.At(p, Bending.Sagging)!.Moment)
            .ToList();
        double[] near = [.. sagging.Take(4)];
        Assert.All(near.Zip(near.Skip(1)), pair => Assert.True(pair.Second >= pair.First - 1));
        Assert.True(near[0] < 0.5 * sagging[^1]);
    }
}
