using CsCheck;
using Pravik.Core.Units;

namespace Pravik.Core.Tests.Units;

public class QuantityTests
{
    [Theory]
    [InlineData("18.4", QuantityKind.Length, 18.4)]
    [InlineData("3*2.4", QuantityKind.Length, 7.2)]
    [InlineData("(1 + 2) * 3 - 4/2", QuantityKind.Length, 7)]
    [InlineData("850 mm", QuantityKind.Length, 0.85)]
    [InlineData("220", QuantityKind.Size, 0.22)]
    [InlineData("3 ft 4 1/4 in", QuantityKind.Length, 3 * 0.3048 + 4.25 * 0.0254)]
    [InlineData("61 ft 3 in", QuantityKind.Length, 61.25 * 0.3048)]
    [InlineData("-3 ft 6 in", QuantityKind.Length, -3.5 * 0.3048)]
    [InlineData("2.75 %", QuantityKind.Slope, 0.0275)]
    [InlineData("2.75", QuantityKind.Slope, 0.0275)]
    [InlineData("1:40", QuantityKind.Slope, 0.025)]
    [InlineData("-1:40", QuantityKind.Slope, -0.025)]
    [InlineData("−2.5", QuantityKind.Slope, -0.025)]
    [InlineData("12°", QuantityKind.Angle, 12 * Math.PI / 180)]
    [InlineData("2 * 850 mm + 1", QuantityKind.Length, 2.7)]
    [InlineData("5 ksi", QuantityKind.Stress, 34.473786465e6)]
    [InlineData("150 pcf", QuantityKind.UnitWeight, 23563.1195769)]
    [InlineData("1e3 mm", QuantityKind.Length, 1)]
    public void Reads_entries_with_units_and_arithmetic(string text, QuantityKind kind, double expected)
    {
        var parsed = QuantityParser.Parse(text, kind, UnitSystem.Metric);
        Assert.Null(parsed.Error);
        Assert.Equal(expected, parsed.Value, Math.Abs(expected) * 1e-8);
    }

    [Theory]
    [InlineData("", QuantityKind.Length)]
    [InlineData("seventeen", QuantityKind.Length)]
    [InlineData("17,4", QuantityKind.Length)]
    [InlineData("5 kN", QuantityKind.Length)]
    [InlineData("1/0", QuantityKind.Length)]
    [InlineData("2 m * 3 m", QuantityKind.Length)]
    [InlineData("1:40", QuantityKind.Length)]
    [InlineData("4.5", QuantityKind.Count)]
    [InlineData("1e999", QuantityKind.Length)]
    [InlineData("3 +", QuantityKind.Length)]
    [InlineData("(3", QuantityKind.Length)]
    [InlineData("3 m x", QuantityKind.Length)]
    public void Refuses_what_it_does_not_understand_with_a_reason(string text, QuantityKind kind)
    {
        var parsed = QuantityParser.Parse(text, kind, UnitSystem.Metric);
        Assert.False(parsed.IsValid);
        Assert.NotEmpty(parsed.Error!);
    }

    [Fact]
    public void Never_throws_on_any_text() =>
        Gen.String[0, 40]
            .Sample(text =>
            {
                QuantityParser.Parse(text, QuantityKind.Length, UnitSystem.UsCustomary);
            });

    [Fact]
    public void An_entered_value_keeps_its_digits()
    {
        Assert.Equal("17.400", QuantityText.Entered(17.4, QuantityKind.Length, UnitSystem.Metric));
        Assert.Equal("146.50012", QuantityText.Entered(146.50012, QuantityKind.Length, UnitSystem.Metric));
        Assert.Equal("12.00", QuantityText.Entered(12 * Math.PI / 180, QuantityKind.Angle, UnitSystem.Metric));
        Assert.Equal("−2.50", QuantityText.Entered(-0.025, QuantityKind.Slope, UnitSystem.Metric));
        Assert.Equal("61.25", QuantityText.Entered(61.25 * 0.3048, QuantityKind.Length, UnitSystem.UsCustomary));
    }

    [Fact]
    public void What_is_shown_reads_back_as_the_same_value() =>
        Gen.Select(Gen.Double[-1e5, 1e5], Gen.Enum<QuantityKind>(), Gen.Bool)
            .Sample(
                (value, kind, metric) =>
                {
                    if (kind == QuantityKind.Count)
                        return;
                    var system = metric ? UnitSystem.Metric : UnitSystem.UsCustomary;
                    var si = value * system[kind].Factor;
                    var back = QuantityParser.Parse(QuantityText.Entered(si, kind, system), kind, system);
                    Assert.Equal(si, back.Value, Math.Max(1e-15, Math.Abs(si) * 1e-11));
                }
            );
}
