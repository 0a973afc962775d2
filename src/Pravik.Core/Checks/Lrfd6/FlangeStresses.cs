using Pravik.Core.Checks.Steel;
using Pravik.Core.Effects;
using Pravik.Core.Members;

namespace Pravik.Core.Checks.Lrfd6;

/// <summary>Stresses of a member’s flanges along it under the greatest or the least moments, and what resists compression.</summary>
internal sealed class FlangeStresses(Member member, EffectRange range)
{
    private readonly System.Collections.Concurrent.ConcurrentDictionary<(int, bool), StateMoments> moments = [];

    /// <summary>The parts of a moment at a place (from 0 along the member).</summary>
    public StateMoments Moments(int place, bool isGreatest) =>
        moments.GetOrAdd((place, isGreatest), key => StateMoments.Of(member, range, member.Points[key.Item1].Number, key.Item2));

    /// <summary>Stresses of a section at a place.</summary>
    public SteelStresses Of(MemberSteel steel, int place, bool isGreatest)
    {
        var acting = Moments(place, isGreatest);
        return new(steel, acting, acting.Total > 0);
    }

    /// <summary>The flange in compression at a place.</summary>
    public CompressionFlange Resisting(MemberSteel steel, int place, bool isGreatest, bool top)
    {
        var stresses = Of(steel, place, isGreatest);
        // Under sagging a composite section with a web of 150 at most sheds no load (6.10.1.10.2).
        var shedsNone = top && stresses.SlabActs && steel.Plates.WebSlenderness <= Proportions.WebWithoutStiffeners;
        return new(steel, top, stresses.WebInCompression(top), shedsNone);
    }

    /// <summary>
    /// C_b = 1.75 − 1.05·(f_1/f_2) + 0.3·(f_1/f_2)² ≤ 2.3 by the stresses at both braces and half way between them (AASHTO LRFD
    /// 6.10.8.2.3); 1 where plates change between them, and where the stress half way is greater than at both.
    /// </summary>
    public double Gradient(MemberSteel steel, bool isGreatest, bool top)
    {
        var (from, to) = steel.Unbraced;
        if (Between(steel.Unbraced).Any(s => s.Steel.Plates != steel.Plates))
            return 1;
        var (atFrom, atTo, middle) = (Compression(from), Compression(to), Compression((from + to) / 2));
        var (f2, f0) = (Math.Max(atFrom, atTo), Math.Min(atFrom, atTo));
        if (f2 <= 0 || middle / f2 > 1)
            return 1;
        var ratio = Math.Max(f0, 2 * middle - f2) / f2;
        return Math.Min(2.3, 1.75 - 1.05 * ratio + 0.3 * ratio * ratio);

        double Compression(double at) => -At(at, steel, isGreatest, top);
    }

    /// <summary>The least F_nc of lateral torsional buckling between two braces, where plates change there (Pa).</summary>
    public double LeastBetween(MemberSteel steel, bool isGreatest, bool top, double gradient) =>
        Between(steel.Unbraced)
            .Where(s => s.Steel.Plates != steel.Plates)
            .Select(s => Resisting(s.Steel, s.Place, isGreatest, top).OfLateralBuckling(steel.Unbraced.Length, gradient))
            .Append(double.PositiveInfinity)
            .Min();

    private IEnumerable<(int Place, MemberSteel Steel)> Between(Stretch unbraced) =>
        member.Points.SelectMany((p, place) => p.Steel.Where(s => s.Unbraced == unbraced).Select(s => (place, s)));

    /// <summary>Stress of a flange at a distance along the member, straight between places (Pa).</summary>
    private double At(double distance, MemberSteel steel, bool isGreatest, bool top)
    {
        var points = member.Points;
        var after = 0;
        while (after < points.Length - 1 && points[after].Distance < distance)
            after++;
        var before = Math.Max(0, after - 1);
        double Stress(int place) => Of(points[place].Steel.FirstOrDefault(steel), place, isGreatest).Flange(top);
        var step = points[after].Distance - points[before].Distance;
        if (step <= 0)
            return Stress(after);
        var part = Math.Clamp((distance - points[before].Distance) / step, 0, 1);
        return Stress(before) * (1 - part) + Stress(after) * part;
    }
}
