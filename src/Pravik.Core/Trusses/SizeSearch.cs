using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>
/// Looks for the sections of least cost with every ratio at most 1: the steel of both planes and a charge for each different section.
/// </summary>
/// <remarks>
/// <para>
/// It begins with the cheapest section that carries what each group of bars carries now, made anew until that settles; then seeks the few
/// sections to order (see <see cref="Palettes"/>); then tries changes at random, taking worse ones less and less
/// (simulated annealing, Kirkpatrick et al., Science 220, 1983); and ends by trying every single change until none helps.
/// </para>
/// <para>Every trial is the whole analysis. The best that passes is kept throughout, beginning with the start.</para>
/// </remarks>
public sealed class SizeSearch
{
    private readonly TrussModel start;
    private readonly int[][] groups;
    private readonly SectionChoice[] choices;
    private readonly int mostSections;
    private readonly SearchLog log;
    private readonly Random random;
    private readonly double[] lengths;

    /// <summary>A search over a model.</summary>
    /// <param name="start">Where it begins.</param>
    /// <param name="groups">Bars that have the same section; those of no group stay.</param>
    /// <param name="choices">Sections that may be taken.</param>
    /// <param name="mostSections">Most different sections.</param>
    /// <param name="log">Keeps the best, and tells.</param>
    /// <param name="seed">Of random numbers.</param>
    public SizeSearch(TrussModel start, int[][] groups, IEnumerable<SectionChoice> choices, int mostSections, SearchLog log, int seed)
    {
        (this.start, this.groups, this.mostSections, this.log) = (start, groups, mostSections, log);
        this.choices = [.. choices.OrderBy(c => c.PerMetre).ThenBy(c => c.Section.Name, StringComparer.Ordinal)];
        random = new(seed);
        lengths = [.. groups.Select(g => g.Sum(start.Length))];
    }

    /// <summary>Searches, and returns the best model that was found.</summary>
    public TrussModel Run(int trials)
    {
        if (groups.Length == 0 || choices.Length == 0)
            return log.Best;
        var sizes = Settled();
        Merit(sizes);
        sizes = Ordered(sizes);
        sizes = Annealed(sizes, trials);
        Descend(Ordered(sizes));
        return log.Best;
    }

    /// <summary>
    /// The start with the sections to order for the forces as they are, without a trial; as it is where it can move or nothing
    /// carries them.
    /// </summary>
    public TrussModel Fitted() => TrussResults.Of(start) is { } results && Palette(Sizes(), results) is { } fitted ? Made(fitted) : start;

    private int[] Sizes() => [.. groups.Select(g => Math.Max(0, Array.FindIndex(choices, c => c.Is(start.Bars[g[0]]))))];

    private int[]? Palette(int[] sizes, TrussResults results)
    {
        var carries = groups.Select(g => choices.Select(c => g.All(b => Carries(c, b, results))).ToArray()).ToArray();
        var palettes = new Palettes(lengths, [.. choices.Select(c => TrussCost.Planes * c.PerMetre)], carries, log.Order, mostSections);
        return palettes.Best(sizes.Distinct());
    }

    /// <summary>The cheapest sections that carry what the bars carry, until forces and sections agree.</summary>
    private int[] Settled()
    {
        var sizes = Sizes();
        for (var i = 0; i < 12 && TrussResults.Of(Made(sizes)) is { } results; i++)
        {
            var next = groups.Select(g => Cheapest(g, results)).ToArray();
            if (next.SequenceEqual(sizes))
                break;
            sizes = next;
        }
        return sizes;
    }

    /// <summary>The cheapest choice that carries what a group carries; the dearest of all where none does.</summary>
    private int Cheapest(int[] group, TrussResults results)
    {
        var fits = Array.FindIndex(choices, c => group.All(b => Carries(c, b, results)));
        return fits >= 0 ? fits : choices.Length - 1;
    }

    private bool Carries(SectionChoice choice, int bar, TrussResults results)
    {
        var now = results.Bars[bar];
        var resistance = BarResistance.Of(choice.Section, choice.Grade, start.Length(bar), start.Rules);
        var with = now with { Resistance = resistance };
        return with.Ratio <= 1;
    }

    private TrussModel Made(int[] sizes)
    {
        var bars = start.Bars.ToBuilder();
        for (var g = 0; g < groups.Length; g++)
        {
            var choice = choices[sizes[g]];
            foreach (var b in groups[g])
                bars[b] = bars[b] with { Section = choice.Section, Grade = choice.Grade, Price = choice.Price };
        }
        return start with { Bars = bars.MoveToImmutable() };
    }

    private double Merit(int[] sizes) => sizes.Distinct().Count() > mostSections ? double.PositiveInfinity : log.Merit(Made(sizes));

    /// <summary>
    /// The sections to order, for the forces as they are: one taken up, given up or exchanged at a time as long as that is cheaper, each
    /// group with the cheapest that carries it; then anew with the forces that follow.
    /// </summary>
    private int[] Ordered(int[] sizes)
    {
        var now = double.PositiveInfinity;
        for (var round = 0; round < 4 && !log.IsStopped && TrussResults.Of(Made(sizes)) is { } results; round++)
        {
            if (Palette(sizes, results) is not { } next)
                return sizes;
            var merit = Merit(next);
            if (next.SequenceEqual(sizes) || (round > 0 && merit >= now))
                return sizes;
            (sizes, now) = (next, merit);
        }
        return sizes;
    }

    private int[] Annealed(int[] sizes, int trials)
    {
        var now = Merit(sizes);
        var (best, least) = ((int[])sizes.Clone(), now);
        for (var i = 0; i < trials && !log.IsStopped; i++)
        {
            var heat = 0.03 * Math.Pow(0.002, (double)i / trials);
            var tried = Changed(sizes);
            var merit = Merit(tried);
            if (merit <= now || random.NextDouble() < Math.Exp(-(merit - now) / (heat * least)))
                (sizes, now) = (tried, merit);
            if (now < least)
                (best, least) = ((int[])sizes.Clone(), now);
        }
        return best;
    }

    /// <summary>One group lighter, heavier or as another; or all groups of a section with another one.</summary>
    private int[] Changed(int[] sizes)
    {
        var changed = (int[])sizes.Clone();
        var g = random.Next(groups.Length);
        switch (random.Next(4))
        {
            case 0:
                changed[g] = sizes[random.Next(groups.Length)];
                break;
            case 1:
                var other = Near(sizes[g]);
                for (var i = 0; i < sizes.Length; i++)
                    changed[i] = sizes[i] == sizes[g] ? other : sizes[i];
                break;
            default:
                changed[g] = Near(sizes[g]);
                break;
        }
        return changed;
    }

    private int Near(int choice)
    {
        var reach = Math.Max(2, choices.Length / 8);
        var step = random.Next(1, reach + 1) * (random.Next(2) == 0 ? -1 : 1);
        return Math.Clamp(choice + step, 0, choices.Length - 1);
    }

    /// <summary>Every change of one group and of one section, as long as one helps.</summary>
    private void Descend(int[] sizes)
    {
        var now = Merit(sizes);
        var helps = true;
        while (helps && !log.IsStopped)
        {
            helps = false;
            foreach (var tried in Single(sizes))
            {
                var merit = Merit(tried);
                if (log.IsStopped)
                    return;
                if (merit < now * (1 - 1e-12))
                {
                    (sizes, now, helps) = (tried, merit, true);
                    break;
                }
            }
        }
    }

    private IEnumerable<int[]> Single(int[] sizes)
    {
        for (var g = 0; g < groups.Length; g++)
        {
            for (var c = 0; c < choices.Length; c++)
            {
                if (c == sizes[g] || (choices[c].PerMetre > choices[sizes[g]].PerMetre && !sizes.Contains(c)))
                    continue;
                var tried = (int[])sizes.Clone();
                tried[g] = c;
                yield return tried;
            }
        }
        foreach (var used in sizes.Distinct().ToArray())
        {
            for (var c = 0; c < choices.Length; c++)
            {
                if (c != used)
                    yield return [.. sizes.Select(s => s == used ? c : s)];
            }
        }
    }
}
