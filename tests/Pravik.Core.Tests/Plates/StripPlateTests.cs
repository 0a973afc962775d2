using Pravik.Core.Plates;

namespace Pravik.Core.Tests.Plates;

/// <summary>Plates on lines against closed forms and a double series that shares nothing with them.</summary>
public class StripPlateTests
{
    private const double Poisson = 0.3;
    private const double Stiffness = 25e6;

    private static StripPlate Plate(
        double length,
        double width,
        int strips,
        Func<double, (double Bending, double Torsion)> held,
        double poisson = Poisson,
        double least = 0.4,
        double stiffness = Stiffness
    )
    {
        var lines = Enumerable
            .Range(0, strips + 1)
            .Select(i => width * i / strips)
            .Select(y => new PlateLine(y, held(y).Bending, held(y).Torsion));
        return new([.. lines], [.. Enumerable.Repeat(stiffness, strips)], poisson, length, least);
    }

    private static Func<double, (double, double)> On(params double[] firm) =>
        y => (firm.Any(f => Math.Abs(f - y) < 1e-9) ? double.PositiveInfinity : 0, 0);

    /// <summary>Timoshenko and Woinowsky-Krieger, Table 8: a square plate on four edges carries 0.0479·q·a² half way.</summary>
    [Fact]
    public void A_square_plate_on_four_edges_has_the_moment_of_the_tables()
    {
        var plate = Plate(6, 6, 48, On(0, 6));
        var surface = plate.Moment(24);
        Assert.Equal(0.0479 * 36, 6 * surface.OfLine().Mean(0, 6), 0.0001 * 36);
    }

    /// <summary>
    /// A wheel of 0.8 m by 0.6 m beside the middle of a plate of 12 m by 5 m on four edges, against Navier's double series with 400 by
    /// 400 terms.
    /// </summary>
    [Theory]
    [InlineData(2.5, 0)]
    [InlineData(1.6, 0.7)]
    [InlineData(3.6, 1.2)]
    public void A_wheel_has_the_moment_of_the_double_series(double across, double beside)
    {
        var (a, b, u, v) = (12.0, 5.0, 0.8, 0.6);
        var surface = Plate(a, b, 100, On(0, b), least: 0.2).Moment(50);
        double series = 0;
        for (var m = 1; m < 400; m += 2)
        {
            for (var n = 1; n < 400; n++)
            {
                var (p, q) = (m * Math.PI / a, n * Math.PI / b);
                var load =
                    4
                    / (a * b)
                    * Math.Sin(p * (a / 2 + beside))
                    * Math.Sin(p * u / 2)
                    / (p * u / 2)
                    * Math.Sin(q * across)
                    * Math.Sin(q * v / 2)
                    / (q * v / 2);
                series += load * (q * q + Poisson * p * p) / Math.Pow(p * p + q * q, 2) * Math.Sin(p * a / 2) * Math.Sin(q * b / 2);
            }
        }
        Assert.Equal(series, surface.OfLoad(beside, u).Mean(across - v / 2, across + v / 2), 0.002);
    }

    /// <summary>A long plate bends as a strip across: two bays under a load all along, q·l²/8 and 5/8·q·l at the middle line.</summary>
    [Fact]
    public void A_long_plate_bends_as_a_continuous_strip()
    {
        var (l, near) = (3.0, 61);
        var plate = Plate(300, 2 * l, 120, On(0, l, 2 * l), 0, 1);
        var y = plate.Lines[near].At - l;
        double Of(PlateSurface s) => 2 * l * s.OfLine().Mean(0, 2 * l);
        Assert.Equal(-l * l / 8 + 5 * l / 8 * y - y * y / 2, Of(plate.Moment(near)), 0.002);
        Assert.Equal(5 * l / 8 - y, Of(plate.Shear(near)), 0.002);
    }

    /// <summary>A cantilever on a line that cannot turn: a load along its edge hogs by its arm; a couple there is the same all over.</summary>
    [Fact]
    public void A_cantilever_hogs_by_the_arm_of_its_load()
    {
        var plate = Plate(200, 2, 40, y => y < 1e-9 ? (double.PositiveInfinity, 1e15) : (0, 0), 0, 10);
        var (moment, shear) = (plate.Moment(10), plate.Shear(10));
        Assert.Equal(-1.5, moment.OfLine().At(2), 0.005);
        Assert.Equal(1, shear.OfLine().At(2), 0.005);
        Assert.Equal(0, moment.OfLine().At(0.25), 0.001);
        // A couple of 1 Nm/m, its outer side down, spread over most of the length.
        Assert.Equal(-1, 200 * moment.OfCouple(0, 200)[40], 0.3);
    }

    /// <summary>
    /// Three beams that give way under a load of 1 N/m on the middle one: for each term springs s = EI·k⁴ under a strip across, of which the
    /// middle one carries c/(c + 1/s), c = b³/(6·D) + 1/(2·s).
    /// </summary>
    [Fact]
    public void Three_beams_that_give_way_share_a_load_as_a_strip_on_springs()
    {
        var (b, length, beam, d) = (3.0, 6000.0, 5e14, 4e7);
        var plate = Plate(length, 2 * b, 80, y => Math.Abs(y % b) < 1e-9 ? (beam, 0) : (0, 0), 0, 200, d);
        double left = 0;
        for (var n = 1; n < 4 * length / 200; n += 2)
        {
            var s = beam * Math.Pow(n * Math.PI / length, 4);
            var c = b * b * b / (6 * d) + 1 / (2 * s);
            left += 4 / (n * Math.PI) * Math.Sin(n * Math.PI / 2) * (1 - c / (c + 1 / s)) / 2;
        }
        var (shear, moment) = (plate.Shear(20), plate.Moment(20));
        Assert.Equal(left, shear.OfLine()[40], 0.001);
        Assert.Equal(left * b / 2, moment.OfLine()[40], 0.001);
        Assert.InRange(left, 0.2, 0.4);
    }

    /// <summary>
    /// Four girders under a slab of 0.22 m, 24 m long: a tandem of 150 kN wheels with its middle at an offset, against a program of another
    /// kind (plates of twelve degrees of freedom, 160 by 80 of them, with beams): moments (kNm/m), girders that give way and firm ones.
    /// </summary>
    [Theory]
    [InlineData(5.0, true, 5.0, 27.323)]
    [InlineData(5.0, true, 4.375, 28.01)]
    [InlineData(5.0, true, 3.0, 9.265)]
    [InlineData(5.0, false, 5.0, 8.784)]
    [InlineData(5.0, false, 3.0, -4.285)]
    [InlineData(2.25, true, 2.5, 16.706)]
    [InlineData(2.25, true, 5.625, -8.641)]
    [InlineData(2.25, false, 2.5, 11.265)]
    [InlineData(2.25, false, 4.375, -6.579)]
    public void A_tandem_on_girders_has_the_moments_of_another_program(double middle, bool givesWay, double at, double expected)
    {
        const double Slab = 34e9 * 0.22 * 0.22 * 0.22 / 12 / (1 - 0.04);
        PlateLine Line(double y) => Math.Abs((y - 1.25) % 2.5) < 1e-9 ? new(y, givesWay ? 6e9 : double.PositiveInfinity, 2e8) : new(y);
        var lines = Enumerable.Range(0, 81).Select(i => Line(i * 0.125));
        var plate = new StripPlate([.. lines], [.. Enumerable.Repeat(Slab, 80)], 0.2, 24, 0.8);
        var wheels = plate.Moment((int)Math.Round(at / 0.125)).OfLoad(0.6, 0.8);
        var moment = 2 * 150 * (wheels.Mean(middle - 1.4, middle - 0.6) + wheels.Mean(middle + 0.6, middle + 1.4));
        Assert.Equal(expected, moment, 0.15);
    }

    [Fact]
    public void What_is_alike_left_and_right_does_the_same()
    {
        var plate = Plate(20, 8, 80, On(1, 4, 7));
        var (left, right) = (plate.Moment(25), plate.Moment(55));
        var (a, b) = (left.OfLoad(0.6, 0.5), right.OfLoad(0.6, 0.5));
        for (var i = 0; i <= 80; i++)
            Assert.Equal(a[i], b[80 - i], 1e-7);
    }
}
