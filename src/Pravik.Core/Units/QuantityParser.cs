using System.Globalization;

namespace Pravik.Core.Units;

/// <summary>The outcome of reading a typed entry: a value in SI base units, or the reason why there is none.</summary>
public readonly record struct ParsedQuantity(double Value, string? Error)
{
    /// <summary>Whether it was understood.</summary>
    public bool IsValid => Error is null;
}

/// <summary>
/// Reads typed entries: numbers, arithmetic, units and their mixtures, such as <c>18.4</c>, <c>3*2.4</c>, <c>850 mm</c>,
/// <c>3 ft 4 1/4 in</c>, <c>2.75 %</c> and <c>1:40</c>.
/// </summary>
/// <remarks>
/// A number without a unit is in the unit that the field shows. Quantities written side by side add up. Entries longer than
/// 200 characters, nested deeper than 32 brackets, or not finite are refused.
/// </remarks>
public static class QuantityParser
{
    private const int LongestEntry = 200;

    /// <summary>Reads <paramref name="text"/> as a quantity of <paramref name="kind"/>. Never throws.</summary>
    public static ParsedQuantity Parse(string? text, QuantityKind kind, UnitSystem system)
    {
        if (string.IsNullOrWhiteSpace(text))
            return new(0, "a value is needed");
        if (text.Length > LongestEntry)
            return new(0, $"an entry has at most {LongestEntry} characters");
        try
        {
            var reader = new Reader(text.Replace('−', '-').Replace("×", "*"), kind, system);
            var value = reader.Whole();
            if (!double.IsFinite(value))
                return new(0, $"“{text}” is not a finite number");
            if (kind == QuantityKind.Count && value != Math.Floor(value))
                return new(0, $"“{text}” is not a whole number");
            return new(value, null);
        }
        catch (EntryException problem)
        {
            return new(0, problem.Message);
        }
    }

    private sealed class EntryException(string message) : Exception(message);

    /// <summary>A value while it is being read: in SI when it has met a unit, else still a bare number.</summary>
    private readonly record struct Term(double Value, bool HasUnit);

    private sealed class Reader(string text, QuantityKind kind, UnitSystem system)
    {
        private int at;
        private int depth;

        public double Whole()
        {
            var ratio = Sum();
            if (Accept(':'))
            {
                var second = Sum();
                if (kind != QuantityKind.Slope)
                    throw new EntryException("a ratio such as 1:40 is for slopes");
                if (second.Value == 0)
                    throw new EntryException("a ratio cannot have 0 on the right");
                ratio = new(ratio.Value / second.Value, true);
            }
            Blank();
            if (at < text.Length)
                throw new EntryException(
                    $"“{text[at..]}” was not understood; type a number, a sum or a value with a unit such as {Example()}"
                );
            return InSi(ratio).Value;
        }

        private string Example() => QuantityText.Entered(12 * system[kind].Factor, kind, system) + " " + system[kind].Symbol;

        private Term InSi(Term term) => term.HasUnit ? term : new(term.Value * system[kind].Factor, true);

        private Term Sum()
        {
            var total = Product();
            while (true)
            {
                if (Accept('+'))
                    total = Add(total, Product(), 1);
                else if (Accept('-'))
                    total = Add(total, Product(), -1);
                else
                    return total;
            }
        }

        private Term Add(Term a, Term b, int sign)
        {
            if (a.HasUnit == b.HasUnit)
                return new(a.Value + sign * b.Value, a.HasUnit);
            return new(InSi(a).Value + sign * InSi(b).Value, true);
        }

        private Term Product()
        {
            var total = Beside();
            while (true)
            {
                if (Accept('*'))
                {
                    var factor = Beside();
                    if (total.HasUnit && factor.HasUnit)
                        throw new EntryException("two values with units cannot be multiplied here");
                    total = new(total.Value * factor.Value, total.HasUnit || factor.HasUnit);
                }
                else if (Accept('/'))
                {
                    var divisor = Beside();
                    if (divisor.Value == 0)
                        throw new EntryException("division by zero");
                    if (divisor.HasUnit && !total.HasUnit)
                        throw new EntryException("a plain number cannot be divided by a value with a unit here");
                    total = new(total.Value / divisor.Value, total.HasUnit && !divisor.HasUnit);
                }
                else
                    return total;
            }
        }

        /// <summary>Quantities side by side, as in <c>3 ft 4 1/4 in</c>: the first must carry a unit.</summary>
        private Term Beside()
        {
            var total = Quantity();
            while (total.HasUnit && NextIsNumber())
                total = Add(total, Quantity(), Math.Sign(total.Value) < 0 ? -1 : 1);
            return total;
        }

        private Term Quantity()
        {
            if (Accept('-'))
            {
                var negative = Quantity();
                return negative with { Value = -negative.Value };
            }
            Term value;
            if (Accept('('))
            {
                if (++depth > 32)
                    throw new EntryException("too many brackets");
                value = Sum();
                if (!Accept(')'))
                    throw new EntryException("a closing bracket is missing");
                depth--;
            }
            else
                value = new(Number(), false);
            var unit = UnitNames.Match(text, AfterBlank());
            if (unit is null || value.HasUnit)
                return value;
            at = AfterBlank() + unit.Name.Length;
            if (unit.Dimension != UnitNames.DimensionOf(kind))
                throw new EntryException($"“{unit.Name}” is not a unit of this value, which is in {Wanted()}");
            return new(value.Value * unit.Factor, true);
        }

        private string Wanted() => system[kind].Symbol is { Length: > 0 } symbol ? symbol : "no unit";

        /// <summary>A number, or a whole number and a fraction as in <c>4 1/4</c>.</summary>
        private double Number()
        {
            var whole = Digits();
            var mark = at;
            if (NextIsNumber())
            {
                var top = Digits();
                if (Accept('/') && NextIsNumber())
                {
                    var bottom = Digits();
                    if (bottom == 0)
                        throw new EntryException("division by zero");
                    return whole + top / bottom;
                }
            }
            at = mark;
            return whole;
        }

        private double Digits()
        {
            Blank();
            var start = at;
            while (at < text.Length && (char.IsAsciiDigit(text[at]) || text[at] == '.'))
                at++;
            if (at > start && at + 1 < text.Length && text[at] is 'e' or 'E')
            {
                var power = at + (text[at + 1] is '+' or '-' ? 2 : 1);
                if (power < text.Length && char.IsAsciiDigit(text[power]))
                {
                    at = power;
                    while (at < text.Length && char.IsAsciiDigit(text[at]))
                        at++;
                }
            }
            var digits = text[start..at];
            if (at < text.Length && text[at] == ',')
                throw new EntryException("decimals are typed with a point, not a comma");
            if (digits.Length == 0)
                throw new EntryException(start < text.Length ? $"“{text[start..]}” is not a number" : "a number is missing at the end");
            if (!double.TryParse(digits, NumberStyles.Float, CultureInfo.InvariantCulture, out var value))
                throw new EntryException($"“{digits}” is not a number");
            return value;
        }

        private bool NextIsNumber()
        {
            var next = AfterBlank();
            return next < text.Length && (char.IsAsciiDigit(text[next]) || text[next] == '.');
        }

        private int AfterBlank()
        {
            var next = at;
            while (next < text.Length && char.IsWhiteSpace(text[next]))
                next++;
            return next;
        }

        private void Blank() => at = AfterBlank();

        private bool Accept(char symbol)
        {
            Blank();
            if (at >= text.Length || text[at] != symbol)
                return false;
            at++;
            return true;
        }
    }
}
