using System.Collections.Immutable;

namespace Pravik.Core.Trusses;

/// <summary>What a search may change.</summary>
public enum SearchKind
{
    /// <summary>Sections of bars.</summary>
    Size,

    /// <summary>Places of joints.</summary>
    Shape,

    /// <summary>Both.</summary>
    Both,
}

/// <summary>What a search for a cheaper scheme may do.</summary>
public sealed record SearchOptions
{
    /// <summary>What it may change.</summary>
    public SearchKind Kind { get; init; }

    /// <summary>Whether what is symmetric stays so: bars and joints that mirror each other change alike.</summary>
    public bool KeepsSymmetry { get; init; } = true;

    /// <summary>Families that it may use; empty for those in use.</summary>
    public ImmutableArray<string> Families { get; init; } = [];

    /// <summary>Grades that it may use; empty for those in use.</summary>
    public ImmutableArray<string> Grades { get; init; } = [];

    /// <summary>How far a joint may move from where it is, along and in level (m).</summary>
    public double Reach { get; init; } = 3;

    /// <summary>Places of joints are whole multiples of this (m).</summary>
    public double Grid { get; init; } = 0.05;

    /// <summary>The same seed gives the same result.</summary>
    public int Seed { get; init; } = 1;

    /// <summary>Trials of a search for sections.</summary>
    public int SizeTrials { get; init; } = 12_000;

    /// <summary>Trials of a search for places.</summary>
    public int ShapeTrials { get; init; } = 6_000;
}

/// <summary>How far a search is: trials so far, and cost and greatest ratio of the best scheme.</summary>
public sealed record SearchPoint(int Trials, double Cost, double Worst);

/// <summary>What a search found.</summary>
/// <param name="Scheme">The best scheme: that with which it began where none is better.</param>
/// <param name="Before">Where it began.</param>
/// <param name="After">Where it ended.</param>
/// <param name="History">Every point at which it found a better one, in order.</param>
public sealed record SearchResult(TrussScheme Scheme, SearchPoint Before, SearchPoint After, ImmutableArray<SearchPoint> History)
{
    /// <summary>Whether what was found passes.</summary>
    public bool Passes => After.Worst <= 1;

    /// <summary>Whether it is better than where it began: passes where that did not, or costs less.</summary>
    public bool IsBetter => History.Length > 1;
}

/// <summary>A section in a grade that a search may take.</summary>
public sealed record SectionChoice(BarSection Section, BarGrade Grade, double Price)
{
    /// <summary>Cost of a metre of it.</summary>
    public double PerMetre => Section.Area * Grade.Density * Price;

    /// <summary>Whether a bar has it.</summary>
    public bool Is(ModelBar bar) =>
        bar.Section.Name == Section.Name && bar.Section.Family == Section.Family && bar.Grade.Name == Grade.Name;
}
