namespace Pravik.Core.Numerics;

/// <summary>Roots of functions of one variable.</summary>
public static class Roots
{
    /// <summary>
    /// Bisection of [<paramref name="low"/>, <paramref name="high"/>] to the last bit that matters (100 halvings at most).
    /// Null where the ends have the same sign.
    /// </summary>
    public static double? Bisect(Func<double, double> f, double low, double high)
    {
        var atLow = f(low);
        if (atLow == 0) return low;
        if (Math.Sign(atLow) == Math.Sign(f(high))) return null;
        for (var i = 0; i < 100; i++)
        {
            var middle = (low + high) / 2;
            if (middle == low || middle == high) break;
            if (Math.Sign(f(middle)) == Math.Sign(atLow)) low = middle;
            else high = middle;
        }
        return (low + high) / 2;
    }
}
