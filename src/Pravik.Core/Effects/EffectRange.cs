using Pravik.Core.Bridges;
using Pravik.Core.Models;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Effects;

/// <summary>A part of a value of a range: what it is of, its factor, and the value with the factor.</summary>
public readonly record struct RangePart(EffectRange Of, bool IsGreatest, double Factor, double Value);

/// <summary>
/// Greatest and least values of all effects: of a case, a sum, an envelope or traffic. It knows of what each value is made, and which
/// forces act together with it.
/// </summary>
public abstract class EffectRange
{
    private protected EffectRange(string name, EffectValues greatest, EffectValues least) =>
        (Name, Greatest, Least) = (name, greatest, least);

    /// <summary>Name within the run; the default for parts that are not shown by themselves.</summary>
    public CaseId Id { get; private set; }

    /// <summary>Name in words.</summary>
    public string Name { get; }

    /// <summary>Heading under which it is listed.</summary>
    public string Group { get; private set; } = "";

    /// <summary>Where its factors come from.</summary>
    public string Clause { get; private set; } = "";

    /// <summary>Greatest values of all effects.</summary>
    public EffectValues Greatest { get; }

    /// <summary>Least values of all effects.</summary>
    public EffectValues Least { get; }

    /// <summary>Whether greatest and least are the same.</summary>
    public bool IsSingle => ReferenceEquals(Greatest, Least);

    /// <summary>The places of the effects.</summary>
    public EffectLayout Layout => Greatest.Layout;

    /// <summary>The greatest values, or the least.</summary>
    public EffectValues Side(bool greatest) => greatest ? Greatest : Least;

    /// <summary>The same as one that is shown.</summary>
    public EffectRange As(CaseId id, string group, string clause = "")
    {
        (Id, Group, Clause) = (id, group, clause);
        return this;
    }

    /// <summary>
    /// Adds the forces at the place of an effect, in the order of its block, that act together with its greatest or least value.
    /// </summary>
    public abstract void AddTogether(int effect, bool greatest, double factor, Span<double> forces);

    /// <summary>The forces that act together with a value of an effect: those of its point, seat or end.</summary>
    public double[] Together(int effect, bool greatest)
    {
        var forces = new double[Layout.TogetherWith(effect).Count];
        AddTogether(effect, greatest, 1, forces);
        return forces;
    }

    /// <summary>Of what a value is made, down to cases and traffic; parts whose factor is 0 are left out.</summary>
    public abstract IEnumerable<RangePart> Parts(int effect, bool greatest, double factor = 1);

    /// <summary>
    /// What the parts behind a value of an effect, each at its own greatest or least, come to at another effect.
    /// </summary>
    public double Beside(int effect, bool greatest, int other) =>
        Parts(effect, greatest).Sum(p => p.Factor * p.Of.Side(p.IsGreatest)[other]);

    /// <summary>A single case.</summary>
    public static EffectRange Of(string name, EffectValues values) => new SingleRange(name, values);

    /// <summary>An envelope of traffic.</summary>
    public static EffectRange Of(string name, TrafficEnvelope traffic) => new TrafficRange(name, traffic);

    /// <summary>An envelope of traffic on a line.</summary>
    public static EffectRange Of(string name, LineTraffic traffic) => new LineTrafficRange(name, traffic);

    /// <summary>Σ factor · range; a negative factor turns a range over.</summary>
    public static EffectRange Sum(string name, IReadOnlyList<(double Factor, EffectRange Range)> terms, EffectLayout layout)
    {
        var greatest = EffectValues.Sum(layout, terms.Select(t => (t.Factor, t.Range.Side(t.Factor > 0))));
        var single = terms.All(t => t.Range.IsSingle);
        var least = single ? greatest : EffectValues.Sum(layout, terms.Select(t => (t.Factor, t.Range.Side(t.Factor <= 0))));
        return new SumRange(name, greatest, least, terms);
    }

    /// <summary>The greatest and the least of some ranges, each with its factor.</summary>
    public static EffectRange Envelope(string name, IReadOnlyList<(double Factor, EffectRange Range)> terms) =>
        new EnvelopeRange(name, Extreme(terms, true), Extreme(terms, false), terms);

    /// <summary>One of some ranges, whichever is worst; null for none.</summary>
    public static EffectRange? OneOf(string name, IEnumerable<EffectRange> ranges)
    {
        List<(double, EffectRange)> terms = [.. ranges.Select(r => (1.0, r))];
        return terms.Count == 0 ? null : Envelope(name, terms);
    }

    /// <summary>The same or nothing at all, where all would relieve.</summary>
    public static EffectRange OrNothing(string name, IReadOnlyList<(double Factor, EffectRange Range)> terms)
    {
        var layout = terms[0].Range.Layout;
        return Envelope(name, [.. terms, (1, Of("nothing", EffectValues.None(layout)))]);
    }

    private static EffectValues Extreme(IReadOnlyList<(double Factor, EffectRange Range)> terms, bool greatest)
    {
        var layout = terms[0].Range.Layout;
        var values = new double[layout.Count];
        Array.Fill(values, greatest ? double.NegativeInfinity : double.PositiveInfinity);
        foreach (var (factor, range) in terms)
        {
            var all = range.Side(factor > 0 == greatest).All;
            for (var i = 0; i < values.Length; i++)
                values[i] = greatest ? Math.Max(values[i], factor * all[i]) : Math.Min(values[i], factor * all[i]);
        }
        return new(layout, values);
    }

    private sealed class SingleRange(string name, EffectValues values) : EffectRange(name, values, values)
    {
        public override void AddTogether(int effect, bool greatest, double factor, Span<double> forces)
        {
            var from = Layout.TogetherWith(effect).From;
            for (var i = 0; i < forces.Length; i++)
                forces[i] += factor * Greatest[from + i];
        }

        public override IEnumerable<RangePart> Parts(int effect, bool greatest, double factor) =>
            factor == 0 ? [] : [new(this, greatest, factor, factor * Greatest[effect])];
    }

    private sealed class TrafficRange(string name, TrafficEnvelope traffic) : EffectRange(name, traffic.Greatest, traffic.Least)
    {
        public override void AddTogether(int effect, bool greatest, double factor, Span<double> forces)
        {
            var beside = traffic.Together(effect, greatest);
            for (var i = 0; i < forces.Length; i++)
                forces[i] += factor * beside[i];
        }

        public override IEnumerable<RangePart> Parts(int effect, bool greatest, double factor) =>
            factor == 0 ? [] : [new(this, greatest, factor, factor * Side(greatest)[effect])];

        public override PlacedTraffic? Loading(int effect, bool greatest) => traffic.Loading(effect, greatest);

        public override IEnumerable<OwnLoad> Loads(int effect, bool greatest) => traffic.Loads(effect, greatest);
    }

    private sealed class LineTrafficRange(string name, LineTraffic traffic) : EffectRange(name, traffic.Greatest, traffic.Least)
    {
        public override void AddTogether(int effect, bool greatest, double factor, Span<double> forces)
        {
            var beside = traffic.Together(effect, greatest);
            for (var i = 0; i < forces.Length; i++)
                forces[i] += factor * beside[i];
        }

        public override IEnumerable<RangePart> Parts(int effect, bool greatest, double factor) =>
            factor == 0 ? [] : [new(this, greatest, factor, factor * Side(greatest)[effect])];

        public override LineLoading? OnLine(int effect, bool greatest) => traffic.Loading(effect, greatest);
    }

    /// <summary>Traffic on a line behind a value where it is one of such traffic itself; null for others.</summary>
    public virtual LineLoading? OnLine(int effect, bool greatest) => null;

    /// <summary>The traffic loading behind a value where it is one of traffic itself; null for others and for footways.</summary>
    public virtual PlacedTraffic? Loading(int effect, bool greatest) => null;

    /// <summary>The same as loads of a case, footways too; none for others.</summary>
    public virtual IEnumerable<OwnLoad> Loads(int effect, bool greatest) => [];

    /// <summary>A range times a positive factor that belongs to it, as a load to what it does per unit.</summary>
    public static EffectRange Scaled(string name, double factor, EffectRange range, EffectLayout layout) =>
        new ScaledRange(
            name,
            EffectValues.Sum(layout, [(factor, range.Greatest)]),
            EffectValues.Sum(layout, [(factor, range.Least)]),
            factor,
            range
        );

    private sealed class ScaledRange(string name, EffectValues greatestValues, EffectValues leastValues, double own, EffectRange range)
        : EffectRange(name, greatestValues, leastValues)
    {
        public override void AddTogether(int effect, bool greatest, double factor, Span<double> forces) =>
            range.AddTogether(effect, greatest, factor * own, forces);

        public override IEnumerable<RangePart> Parts(int effect, bool greatest, double factor) =>
            factor == 0 ? [] : [new(this, greatest, factor, factor * Side(greatest)[effect])];

        public override PlacedTraffic? Loading(int effect, bool greatest) => range.Loading(effect, greatest);

        public override IEnumerable<OwnLoad> Loads(int effect, bool greatest) =>
            range.Loads(effect, greatest).Select(l => l with { Value = own * l.Value });
    }

    private sealed class SumRange(
        string name,
        EffectValues greatestValues,
        EffectValues leastValues,
        IReadOnlyList<(double Factor, EffectRange Range)> terms
    ) : EffectRange(name, greatestValues, leastValues)
    {
        public override void AddTogether(int effect, bool greatest, double factor, Span<double> forces)
        {
            foreach (var (own, range) in terms)
                range.AddTogether(effect, own > 0 == greatest, factor * own, forces);
        }

        public override IEnumerable<RangePart> Parts(int effect, bool greatest, double factor) =>
            terms.SelectMany(t => t.Range.Parts(effect, t.Factor > 0 == greatest, factor * t.Factor));
    }

    private sealed class EnvelopeRange(
        string name,
        EffectValues greatestValues,
        EffectValues leastValues,
        IReadOnlyList<(double Factor, EffectRange Range)> terms
    ) : EffectRange(name, greatestValues, leastValues)
    {
        private (double Factor, EffectRange Range) Chosen(int effect, bool greatest)
        {
            double Value((double Factor, EffectRange Range) t) => t.Factor * t.Range.Side(t.Factor > 0 == greatest)[effect];
            return greatest ? terms.MaxBy(Value) : terms.MinBy(Value);
        }

        public override void AddTogether(int effect, bool greatest, double factor, Span<double> forces)
        {
            var (own, range) = Chosen(effect, greatest);
            range.AddTogether(effect, own > 0 == greatest, factor * own, forces);
        }

        public override IEnumerable<RangePart> Parts(int effect, bool greatest, double factor)
        {
            var (own, range) = Chosen(effect, greatest);
            return range.Parts(effect, own > 0 == greatest, factor * own);
        }

        public override EffectRange Governing(int effect, bool greatest) => Chosen(effect, greatest).Range;
    }

    /// <summary>Which of the ranges of an envelope gives a value; the range itself where it is none.</summary>
    public virtual EffectRange Governing(int effect, bool greatest) => this;
}
