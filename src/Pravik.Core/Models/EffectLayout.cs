using System.Collections.Immutable;

namespace Pravik.Core.Models;

/// <summary>Effects that are told at every point of a girder, by their place in its block.</summary>
public enum GirderEffect
{
    /// <summary>Axial force, shear across, shear, torsion, sagging moment, moment across (N, Nm).</summary>
    N,
    Vy,
    V,
    T,
    M,
    Mz,

    /// <summary>Deflection, up (m).</summary>
    Deflection,

    /// <summary>Stresses at the girder's soffit and top and at the slab's top (Pa).</summary>
    Bottom,
    GirderTop,
    SlabTop,
}

/// <summary>A seat of a girder: axis and girder (from 0), and its name in the model.</summary>
public sealed record SeatPlace(int Axis, int Girder, string Name);

/// <summary>A member that is not of a girder, by its name in the model.</summary>
public sealed record MemberPlace(MemberKind Kind, string Name);

/// <summary>
/// Where every effect of a bridge has its place in one list of numbers: ten at every point of the girders, three at every seat, six at
/// both ends of every other member. Each block holds what acts together at one place.
/// </summary>
public sealed class EffectLayout
{
    public const int OfPoint = 10;
    public const int OfSeat = 3;
    public const int OfEnd = 6;

    /// <summary>How many of a point's effects are forces, which act together.</summary>
    public const int Forces = 6;
    private readonly Dictionary<string, int> seats;
    private readonly Dictionary<string, int> members;

    public EffectLayout(ImmutableArray<ModelPoint> points, BridgeModel finished)
    {
        Points = points;
        Seats = [.. finished.Seats.Select(s => new SeatPlace(s.Axis, s.Girder, finished.Frame.Nodes[s.Node].Id))];
        Members = [.. finished.Others.Select(o => new MemberPlace(o.Kind, o.Name))];
        seats = Seats.Select((s, i) => (s.Name, i)).ToDictionary(s => s.Name, s => s.i);
        members = Members.Select((m, i) => (m.Name, i)).ToDictionary(m => m.Name, m => m.i);
    }

    public ImmutableArray<ModelPoint> Points { get; }
    public ImmutableArray<SeatPlace> Seats { get; }
    public ImmutableArray<MemberPlace> Members { get; }

    private int FirstSeat => OfPoint * Points.Length;
    private int FirstEnd => FirstSeat + OfSeat * Seats.Length;

    /// <summary>How many effects there are.</summary>
    public int Count => FirstEnd + 2 * OfEnd * Members.Length;

    public int At(int point, GirderEffect effect) => OfPoint * point + (int)effect;

    /// <summary>First of the three forces of a seat: along, across, up.</summary>
    public int AtSeat(int seat) => FirstSeat + OfSeat * seat;

    /// <summary>First of the six forces at an end of a member.</summary>
    public int AtEnd(int member, bool atEnd) => FirstEnd + OfEnd * (2 * member + (atEnd ? 1 : 0));

    /// <summary>Number of a seat or member by its name in a model; null where the finished bridge has none of that name.</summary>
    public int? SeatNamed(string name) => seats.TryGetValue(name, out var seat) ? seat : null;

    public int? MemberNamed(string name) => members.TryGetValue(name, out var member) ? member : null;

    /// <summary>The forces that act together with an effect: where they begin and how many they are.</summary>
    public (int From, int Count) TogetherWith(int effect) =>
        effect < FirstSeat ? (effect / OfPoint * OfPoint, Forces)
        : effect < FirstEnd ? (FirstSeat + (effect - FirstSeat) / OfSeat * OfSeat, OfSeat)
        : (FirstEnd + (effect - FirstEnd) / OfEnd * OfEnd, OfEnd);
}

/// <summary>The values of all effects, in the places of a layout. Not changed once it is made.</summary>
public sealed class EffectValues(EffectLayout layout, double[] values)
{
    public EffectLayout Layout { get; } = layout;

    public ReadOnlySpan<double> All => values;

    public double this[int effect] => values[effect];

    public double this[int point, GirderEffect effect] => values[Layout.At(point, effect)];

    public static EffectValues None(EffectLayout layout) => new(layout, new double[layout.Count]);

    public SectionForces Forces(int point) => At(Layout.At(point, GirderEffect.N));

    public FaceStresses Stresses(int point) =>
        new(this[point, GirderEffect.Bottom], this[point, GirderEffect.GirderTop], this[point, GirderEffect.SlabTop]);

    public SeatForces Seat(int seat) => Layout.AtSeat(seat) is var i ? new(values[i], values[i + 1], values[i + 2]) : default;

    public SectionForces End(int member, bool atEnd) => At(Layout.AtEnd(member, atEnd));

    private SectionForces At(int i) => new(values[i], values[i + 1], values[i + 2], values[i + 3], values[i + 4], values[i + 5]);

    /// <summary>Σ factor · values; nothing for no terms.</summary>
    public static EffectValues Sum(EffectLayout layout, IEnumerable<(double Factor, EffectValues Values)> terms)
    {
        var sum = new double[layout.Count];
        foreach (var (factor, term) in terms)
        {
            var all = term.All;
            for (var i = 0; i < sum.Length; i++)
                sum[i] += factor * all[i];
        }
        return new(layout, sum);
    }
}
