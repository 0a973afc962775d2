using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Materials;
using Pravik.Core.Sections;

namespace Pravik.Core.Places;

/// <summary>Girders of one type and one section half way along: they creep and shrink alike. The first of them stands for all.</summary>
/// <param name="Type">Place in the list of types.</param>
/// <param name="Section">Section half way, before a law of depth.</param>
/// <param name="Number">Number of the first such girder, from 1.</param>
/// <param name="Span">Span of the first such girder, from 0.</param>
public sealed record GirderMaking(int Type, MadeSection Section, int Number, SpanIndex Span);

/// <summary>
/// What each girder is made of: its type, and its section along every span. Girders are told by their number from 1, spans from 0.
/// </summary>
/// <remarks>
/// A girder's own type comes first, then that of its span, then that of all girders, then the first of the list. Its section is its
/// own, that of a range, or that of its type, as deep as the span's law of depth says. Names that the bridge does not have are passed
/// over: validation tells of them.
/// </remarks>
public sealed class GirderSections
{
    private readonly Bridge bridge;
    private readonly ImmutableArray<GirderLayout> layouts;
    private readonly Dictionary<string, Lazy<MadeSection>> sections;

    /// <summary>Types and sections of a bridge's girders, by the layouts of its spans.</summary>
    public GirderSections(Bridge bridge, ImmutableArray<GirderLayout> layouts)
    {
        (this.bridge, this.layouts) = (bridge, layouts);
        sections = bridge.Sections.DistinctBy(s => s.Name).ToDictionary(s => s.Name, s => new Lazy<MadeSection>(() => new(s)));
        Main = OfType(Types[IndexOf(bridge.Girders.Type)]);
        Makings =
        [
            .. Enumerable
                .Range(0, layouts.Length)
                .SelectMany(s => NumbersIn(s).Select(n => new GirderMaking(TypeIndex(n, s), BeforeDepth(n, s, 0.5), n, s)))
                .DistinctBy(m => (m.Type, m.Section)),
        ];
    }

    /// <summary>The types of the bridge.</summary>
    public ImmutableArray<GirderType> Types => bridge.Girders.Types;

    /// <summary>The section of the type that all girders have where neither they nor their span name one.</summary>
    public MadeSection Main { get; }

    /// <summary>Type and section of all girders, each pair once.</summary>
    public ImmutableArray<GirderMaking> Makings { get; }

    /// <summary>Place in <see cref="Makings"/> of a girder in a span; -1 where there is none.</summary>
    public int MakingIndex(int number, SpanIndex span)
    {
        var (type, section) = (TypeIndex(number, span), BeforeDepth(number, span, 0.5));
        for (var i = 0; i < Makings.Length; i++)
        {
            if (Makings[i].Type == type && Makings[i].Section == section)
                return i;
        }
        return -1;
    }

    /// <summary>Place in the list of the type of a girder in a span.</summary>
    public int TypeIndex(int number, SpanIndex span) => IndexOf(Own(number, span)?.Type, layouts[span].Type);

    /// <summary>The type of a girder in a span.</summary>
    public GirderType TypeOf(int number, SpanIndex span) => Types[TypeIndex(number, span)];

    /// <summary>The section that a type names, or the first of the bridge.</summary>
    public MadeSection OfType(GirderType type) => Named(type.Section) ?? sections[bridge.Sections[0].Name].Value;

    /// <summary>The section of that name; null where there is none.</summary>
    public MadeSection? Named(string? name) => name is not null && sections.TryGetValue(name, out var made) ? made.Value : null;

    /// <summary>The section at fraction t of a span.</summary>
    public MadeSection At(int number, SpanIndex span, double t)
    {
        var made = BeforeDepth(number, span, t);
        return layouts[span].Depth is { } law ? made.WithDepth(law.At(t, bridge.Axes.Spans[span])) : made;
    }

    /// <summary>The same before a law of depth changes it.</summary>
    public MadeSection BeforeDepth(int number, SpanIndex span, double t)
    {
        if (Named(Own(number, span)?.Section) is { } own)
            return own;
        return bridge.Girders.Ranges.LastOrDefault(r => r.Holds(span, t)) is { } range
            ? Named(range.Section) ?? sections[bridge.Sections[0].Name].Value
            : OfType(TypeOf(number, span));
    }

    /// <summary>Whether a girder has one section from end to end of a span.</summary>
    public bool IsUniform(int number, SpanIndex span) =>
        layouts[span].Depth is null && (Named(Own(number, span)?.Section) is not null || !bridge.Girders.Ranges.Any(r => r.IsIn(span)));

    /// <summary>Fractions strictly between two of a span at which a section may change, in order, with both of them.</summary>
    public ImmutableArray<double> Breaks(SpanIndex span, double from, double to)
    {
        double[] corners = layouts[span].Depth is { } law ? [law.Reach, 0.5, 1 - law.Reach] : [];
        return [.. RangeEnds(span).Concat(corners).Where(t => t > from && t < to).Append(from).Append(to).Distinct().Order()];
    }

    /// <summary>Whether there is a girder of that number in a span.</summary>
    public bool IsPresent(int number, SpanIndex span) => number <= layouts[span].Count && Own(number, span)?.Absent != true;

    /// <summary>The sections that girders have, before laws of depth, each once for every type that has it.</summary>
    public IEnumerable<(MadeSection Section, int Type)> InUse =>
        Enumerable.Range(0, layouts.Length).SelectMany(span => UsedIn(span)).Distinct();

    /// <summary>The same in one span.</summary>
    public IEnumerable<(MadeSection Section, int Type)> UsedIn(SpanIndex span) =>
        NumbersIn(span).SelectMany(n => Middles(span).Select(t => (BeforeDepth(n, span, t), TypeIndex(n, span)))).Distinct();

    /// <summary>Places in the list of the types that girders have.</summary>
    public IEnumerable<int> TypesInUse =>
        Enumerable.Range(0, layouts.Length).SelectMany(span => NumbersIn(span).Select(n => TypeIndex(n, span))).Distinct().Order();

    /// <summary>Modulus of elasticity of a girder in a span (Pa): that of its type's concrete, or of steel.</summary>
    public double Modulus(int number, SpanIndex span) =>
        At(number, span, 0.5).IsSteel ? StructuralSteel.Of(bridge.Materials.Structural).E : Concrete.Of(TypeOf(number, span).Concrete).Ecm;

    private IEnumerable<int> NumbersIn(SpanIndex span) => Enumerable.Range(1, layouts[span].Count).Where(n => IsPresent(n, span));

    private GirderOwn? Own(int number, SpanIndex span) => bridge.Girders.Own.GetValueOrDefault(HaunchLine.Key(number, span));

    /// <summary>Place of the first of the names that is one of a type; 0 where none is.</summary>
    private int IndexOf(params ReadOnlySpan<string?> names)
    {
        foreach (var name in names)
        {
            for (var i = 0; name is not null && i < Types.Length; i++)
            {
                if (Types[i].Name == name)
                    return i;
            }
        }
        return 0;
    }

    private IEnumerable<double> RangeEnds(SpanIndex span) =>
        bridge.Girders.Ranges.Where(r => r.IsIn(span)).SelectMany(r => new[] { r.From, r.To });

    /// <summary>The middle of each part of a span in which one section holds.</summary>
    private IEnumerable<double> Middles(SpanIndex span)
    {
        double[] ends = [.. RangeEnds(span).Append(0).Append(1).Distinct().Order()];
        return ends.Zip(ends.Skip(1), (a, b) => (a + b) / 2);
    }
}
