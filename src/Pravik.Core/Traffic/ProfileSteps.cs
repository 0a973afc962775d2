namespace Pravik.Core.Traffic;

/// <summary>Which part of a profile counts.</summary>
internal enum ProfilePart
{
    /// <summary>All of it.</summary>
    Whole,

    /// <summary>Where it is above 0.</summary>
    Above,

    /// <summary>Where it is below 0.</summary>
    Below,
}

/// <summary>How a profile that is straight between stations changes at them: it is 0 before the first and behind the last.</summary>
internal static class ProfileSteps
{
    /// <summary>The changes of a part of a profile.</summary>
    /// <param name="stations">Its stations (m); between two in one place there is nothing.</param>
    /// <param name="behind">Values just behind them.</param>
    /// <param name="ahead">Values just ahead of them.</param>
    /// <param name="part">Which part.</param>
    /// <param name="jump">Takes changes of the value.</param>
    /// <param name="kink">Takes changes of the slope (1/m).</param>
    /// <param name="crossings">Takes stations at which the part begins or ends within a piece, and the change of slope there.</param>
    public static void Find(
        ReadOnlySpan<double> stations,
        ReadOnlySpan<double> behind,
        ReadOnlySpan<double> ahead,
        ProfilePart part,
        Span<double> jump,
        Span<double> kink,
        List<(double Station, double Kink)>? crossings = null
    )
    {
        var last = stations.Length - 1;
        double before = 0,
            until = 0;
        for (var i = 0; i <= last; i++)
        {
            double slope = 0,
                from = 0,
                to = 0;
            if (i < last && stations[i + 1] > stations[i])
            {
                (from, to) = (ahead[i], behind[i + 1]);
                slope = (to - from) / (stations[i + 1] - stations[i]);
            }
            var (begin, end) = (slope, slope);
            if (part != ProfilePart.Whole)
            {
                var (isFirst, isSecond) = (Of(part, from) == from, Of(part, to) == to);
                if (!isFirst || !isSecond)
                    (begin, end) = (isFirst && from != 0 ? slope : 0, isSecond && to != 0 ? slope : 0);
                if (from * to < 0)
                    crossings?.Add((stations[i] + (stations[i + 1] - stations[i]) * from / (from - to), isFirst ? -slope : slope));
                (from, to) = (Of(part, from), Of(part, to));
            }
            (jump[i], kink[i]) = (from - until, begin - before);
            (before, until) = (end, to);
        }
    }

    private static double Of(ProfilePart part, double value) => part == ProfilePart.Above ? Math.Max(0, value) : Math.Min(0, value);
}
