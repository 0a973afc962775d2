using System.Collections.Immutable;

namespace Pravik.Core.Sections;

/// <summary>Where the ducts of a tendon are drawn across: shared among the webs as they are half way up.</summary>
public static class DuctPlaces
{
    private const int Looked = 400;

    /// <summary>Places across (m from the middle), from left to right.</summary>
    public static ImmutableArray<double> Of(MadeSection section, int count)
    {
        var y = section.Bottom + section.Depth / 2;
        var (left, right) = (section.Properties.Left, section.Properties.Right);
        List<(double From, double To)> webs = [];
        var isIn = false;
        for (var i = 0; i <= Looked; i++)
        {
            var x = left + (right - left) * i / Looked;
            var now =
                section.Parts.Any(p => !p.IsVoid && p.Outline.Contains(new(x, y)))
                && !section.Parts.Any(p => p.IsVoid && p.Outline.Contains(new(x, y)));
            if (now && !isIn)
                webs.Add((x, x));
            else if (now)
                webs[^1] = (webs[^1].From, x);
            isIn = now;
        }
        return Among(webs, count);
    }

    /// <summary>Places within webs, each with its share; what cannot be shared evenly goes to the first webs.</summary>
    public static ImmutableArray<double> Among(IReadOnlyList<(double From, double To)> webs, int count) =>
        [
            .. webs.SelectMany(
                (web, i) =>
                {
                    var here = count / webs.Count + (i < count % webs.Count ? 1 : 0);
                    return Enumerable.Range(1, here).Select(n => web.From + (web.To - web.From) * n / (here + 1));
                }
            ),
        ];
}
