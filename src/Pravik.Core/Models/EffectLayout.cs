using System.Collections.Immutable;
using Pravik.Core.Bridges;

namespace Pravik.Core.Models;

/// <summary>Effects that are told at every point of a girder, by their place in its block.</summary>
public enum GirderEffect
{
    /// <summary>Axial force, shear across, shear, torsion, sagging moment, moment across (N, Nm).</summary>
    N,

    /// <summary>Shear across (N).</summary>
    Vy,

    /// <summary>Shear upright (N).</summary>
    V,

    /// <summary>Torsion (Nm).</summary>
    T,

    /// <summary>Sagging moment (Nm).</summary>
    M,

    /// <summary>Moment across (Nm).</summary>
    Mz,

    /// <summary>Deflection, up (m).</summary>
    Deflection,

    /// <summary>Stresses at the girder's soffit and top and at the slab's top (Pa).</summary>
    Bottom,

    /// <summary>Stress at the girder's top (Pa).</summary>
    GirderTop,

    /// <summary>Stress at the slab's top (Pa).</summary>
    SlabTop,
}

/// <summary>A seat of a girder: axis and girder, and its name in the model.</summary>
public sealed record SeatPlace(AxisIndex Axis, GirderIndex Girder, string Name);

/// <summary>
/// Effects of the slab at a place, by their place in its block: per metre, moments positive where the soffit is in tension.
/// </summary>
public enum SlabEffect
{
    /// <summary>Moment of the strip along the girders (Nm/m).</summary>
    Along,

    /// <summary>Moment of the strip across them (Nm/m).</summary>
    Across,

    /// <summary>Twisting moment (Nm/m).</summary>
    Twist,

    /// <summary>Shear that the strip along the girders carries (N/m).</summary>
    ShearAlong,

    /// <summary>Shear that the strip across them carries (N/m).</summary>
    ShearAcross,
}

/// <summary>A member that is not of a girder, by its name in the model.</summary>
public sealed record MemberPlace(MemberKind Kind, string Name);

/// <summary>
/// Where every effect of a bridge has its place in one list of numbers: ten at every point of the girders, six at every seat, six at
/// both ends of every other member, five at every chosen place of the slab. Each block holds what acts together at one place.
/// </summary>
public sealed class EffectLayout
{
    /// <summary>Effects of a point.</summary>
    public const int OfPoint = 10;

    /// <summary>Effects of a seat: three forces, movements along and across, and how much it turns.</summary>
    public const int OfSeat = 6;

    /// <summary>How many of them are forces.</summary>
    public const int SeatForces = 3;

    /// <summary>Effects of an end of a member.</summary>
    public const int OfEnd = 6;

    /// <summary>Effects of a place of the slab.</summary>
    public const int OfSlab = 5;

    /// <summary>How many of a point's effects are forces, which act together.</summary>
    public const int Forces = 6;
    private readonly Dictionary<string, int> seats;
    private readonly Dictionary<string, int> members;

    /// <summary>The places of a bridge's effects: those of its finished model.</summary>
    public EffectLayout(ImmutableArray<ModelPoint> points, BridgeModel finished, ImmutableArray<SlabPoint> slab = default)
    {
        Points = points;
        Slab = slab.IsDefault || finished.Shells.IsEmpty ? [] : slab;
        Seats = [.. finished.Seats.Select(s => new SeatPlace(s.Axis, s.Girder, finished.Frame.Nodes[s.Node].Id))];
        Members = [.. finished.Others.Select(o => new MemberPlace(o.Kind, o.Name))];
        seats = Seats.Select((s, i) => (s.Name, i)).ToDictionary(s => s.Name, s => s.i);
        members = Members.Select((m, i) => (m.Name, i)).ToDictionary(m => m.Name, m => m.i);
    }

    /// <summary>The places of a member alone: its points, and nothing beside them.</summary>
    public EffectLayout(ImmutableArray<ModelPoint> points)
    {
        (Points, Slab, Seats, Members) = (points, [], [], []);
        (seats, members) = ([], []);
    }

    /// <summary>Points along the girders.</summary>
    public ImmutableArray<ModelPoint> Points { get; }

    /// <summary>Seats of the girders.</summary>
    public ImmutableArray<SeatPlace> Seats { get; }

    /// <summary>Members that are not of girders.</summary>
    public ImmutableArray<MemberPlace> Members { get; }

    /// <summary>Places of the slab; none where the model has no shells.</summary>
    public ImmutableArray<SlabPoint> Slab { get; }

    private int FirstSeat => OfPoint * Points.Length;
    private int FirstEnd => FirstSeat + OfSeat * Seats.Length;

    private int FirstSlab => FirstEnd + 2 * OfEnd * Members.Length;

    /// <summary>How many effects there are.</summary>
    public int Count => FirstSlab + OfSlab * Slab.Length;

    /// <summary>Place of an effect at a point.</summary>
    public int At(int point, GirderEffect effect) => OfPoint * point + (int)effect;

    /// <summary>
    /// First of the effects of a seat: forces along, across and up, and what the girder moves along and across and turns about the axis
    /// across against what is below (m, rad).
    /// </summary>
    public int AtSeat(int seat) => FirstSeat + OfSeat * seat;

    /// <summary>First of the six forces at an end of a member.</summary>
    public int AtEnd(int member, bool atEnd) => FirstEnd + OfEnd * (2 * member + (atEnd ? 1 : 0));

    /// <summary>First of the effects at a place of the slab.</summary>
    public int AtSlab(int place) => FirstSlab + OfSlab * place;

    /// <summary>Number of a seat or member by its name in a model; null where the finished bridge has none of that name.</summary>
    public int? SeatNamed(string name) => seats.TryGetValue(name, out var seat) ? seat : null;

    /// <summary>Number of a member by its name in a model; null where the finished bridge has none of that name.</summary>
    public int? MemberNamed(string name) => members.TryGetValue(name, out var member) ? member : null;

    /// <summary>The forces that act together with an effect: where they begin and how many they are.</summary>
    public (int From, int Count) TogetherWith(int effect) =>
        effect < FirstSeat ? (effect / OfPoint * OfPoint, Forces)
        : effect < FirstEnd ? (FirstSeat + (effect - FirstSeat) / OfSeat * OfSeat, OfSeat)
        : effect < FirstSlab ? (FirstEnd + (effect - FirstEnd) / OfEnd * OfEnd, OfEnd)
        : (FirstSlab + (effect - FirstSlab) / OfSlab * OfSlab, OfSlab);
}

/// <summary>The values of all effects, in the places of a layout. Not changed once it is made.</summary>
public sealed class EffectValues(EffectLayout layout, double[] values)
{
    /// <summary>The places of the values.</summary>
    public EffectLayout Layout { get; } = layout;

    /// <summary>All values.</summary>
    public ReadOnlySpan<double> All => values;

    /// <summary>The value at a place.</summary>
    public double this[int effect] => values[effect];

    /// <summary>The value of an effect at a point.</summary>
    public double this[int point, GirderEffect effect] => values[Layout.At(point, effect)];

    /// <summary>Values that are all 0.</summary>
    public static EffectValues None(EffectLayout layout) => new(layout, new double[layout.Count]);

    /// <summary>The forces at a point.</summary>
    public SectionForces Forces(int point) => At(Layout.At(point, GirderEffect.N));

    /// <summary>The stresses at a point.</summary>
    public FaceStresses Stresses(int point) =>
        new(this[point, GirderEffect.Bottom], this[point, GirderEffect.GirderTop], this[point, GirderEffect.SlabTop]);

    /// <summary>The forces of a seat.</summary>
    public SeatForces Seat(int seat) => Layout.AtSeat(seat) is var i ? new(values[i], values[i + 1], values[i + 2]) : default;

    /// <summary>The forces at an end of a member.</summary>
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
