namespace Pravik.Core.Numerics;

/// <summary>Roots of functions of one variable.</summary>
public static class Roots
{
    /// <summary>
    /// Newton's method kept inside a bracket: a step that leaves it, or makes little of it, is a halving instead. The ends must have
    /// different
    /// signs; stops when a step is below 1e-13 of the bracket's size and 1e-12 of itself.
    /// </summary>
    /// <param name="f">Value and derivative.</param>
    /// <param name="low">Lower end.</param>
    /// <param name="high">Upper end.</param>
    public static double Newton(Func<double, (double Value, double Slope)> f, double low, double high)
    {
        var sign = Math.Sign(f(low).Value);
        var x = (low + high) / 2;
        for (var i = 0; i < 100; i++)
        {
            var (value, slope) = f(x);
            if (value == 0)
                return x;
            if (Math.Sign(value) == sign)
                low = x;
            else
                high = x;
            var next = x - value / slope;
            if (!(next > low && next < high))
                next = (low + high) / 2;
            if (Math.Abs(next - x) <= 1e-13 * Math.Max(1, Math.Abs(x)))
                return next;
            x = next;
        }
        return x;
    }

    /// <summary>
    /// False position with the Illinois rule (an end that stays twice in a row counts half; Dowell and Jarratt, 1971), for functions
    /// that are costly and smooth but for kinks. Stops when the bracket is <paramref name="within"/> or the value is 0. Null where the ends
    /// have the same sign.
    /// </summary>
    public static double? FalsePosition(Func<double, double> f, double low, double high, double within)
    {
        var (atLow, atHigh, last) = (f(low), f(high), 0);
        if (atLow == 0 || atHigh == 0)
            return atLow == 0 ? low : high;
        if (Math.Sign(atLow) == Math.Sign(atHigh))
            return null;
        var x = low;
        for (var i = 0; i < 200 && high - low > within; i++)
        {
            var next = i % 8 == 7 ? (low + high) / 2 : (low * atHigh - high * atLow) / (atHigh - atLow);
            var value = f(next);
            if (value == 0 || Math.Abs(next - x) < within / 4)
                return next;
            x = next;
            if (Math.Sign(value) == Math.Sign(atLow))
            {
                (low, atLow) = (next, value);
                atHigh = last < 0 ? atHigh / 2 : atHigh;
                last = -1;
            }
            else
            {
                (high, atHigh) = (next, value);
                atLow = last > 0 ? atLow / 2 : atLow;
                last = 1;
            }
        }
        return x;
    }

    /// <summary>
    /// Bisection of [<paramref name="low"/>, <paramref name="high"/>] to the last bit that matters (100 halvings at most).
    /// Null where the ends have the same sign.
    /// </summary>
    public static double? Bisect(Func<double, double> f, double low, double high)
    {
        var atLow = f(low);
        if (atLow == 0)
            return low;
        if (Math.Sign(atLow) == Math.Sign(f(high)))
            return null;
        for (var i = 0; i < 100; i++)
        {
            var middle = (low + high) / 2;
            if (middle == low || middle == high)
                break;
            if (Math.Sign(f(middle)) == Math.Sign(atLow))
                low = middle;
            else
                high = middle;
        }
        return (low + high) / 2;
    }
}
