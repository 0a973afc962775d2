using Pravik.Core.Trusses;

namespace Pravik.Bench;

/// <summary>Truss schemes: an edit to new ratios, a crossing, and searches.</summary>
internal static class TrussTimes
{
    public static void Measure()
    {
        var reference = Models.Median(() => Reference.Product());
        Console.WriteLine(Reference.Line("reference", reference, reference));
        void Time(string words, Func<object?> work) => Console.WriteLine(Reference.Line(words, Models.Median(() => work()), reference));
        var large = Drawn(52, 5);
        Time(
            $"{large.Bars.Length} bars: findings, ratios and cost",
            () =>
            {
                var findings = TrussValidation.Check(large);
                var results = TrussResults.Of(TrussModel.Of(large));
                return (findings, results, TrussCost.Of(large));
            }
        );
        Time($"{large.Bars.Length} bars: a crossing followed to its end", () => new TrussDrive(large, 0, true));
        var small = Drawn(13, 6);
        SearchOptions size = new() { Families = ["tube", "i"] };
        var choices = TrussSearch.Choices(small, size).Count();
        Time($"{small.Bars.Length} bars, {choices} sections: search for sections", () => TrussSearch.Run(small, size));
        Time($"{small.Bars.Length} bars: search for places", () => TrussSearch.Run(small, new() { Kind = SearchKind.Shape }));
        Time($"{small.Bars.Length} bars: search for both", () => TrussSearch.Run(small, new() { Kind = SearchKind.Both }));
    }

    private static TrussScheme Drawn(int panels, double depth)
    {
        TrussSite site = new()
        {
            Opening = 4.0 * panels,
            Panels = panels,
            Ground = [new(-10, -60), new(4.0 * panels + 10, -60)],
        };
        return TrussForms.Draw(TrussScheme.New(site), new() { Kind = FormKind.Pratt, Depth = depth }).Scheme!;
    }
}
