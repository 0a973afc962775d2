using System.Collections.Immutable;
using Pravik.Core.Geometry;

namespace Pravik.Core.Trusses;

/// <summary>A joint of the model.</summary>
public sealed record ModelJoint(string Id, Point At, JointHold Hold)
{
    /// <summary>Whether a search for a better shape may move it.</summary>
    public bool IsFree { get; init; }
}

/// <summary>A bar of the model: the places of its joints in the list, section and grade.</summary>
public sealed record ModelBar(int From, int To, BarSection Section, BarGrade Grade)
{
    /// <summary>Price of a kilogram.</summary>
    public double Price { get; init; }

    /// <summary>Whether its section stays.</summary>
    public bool IsLocked { get; init; }
}

/// <summary>
/// One plane of a scheme as it is analysed: joints, bars, what the deck puts on each joint of the deck, and vehicles. Bars that
/// name a joint or a section that there is not are left out; validation has told of them.
/// </summary>
public sealed record TrussModel
{
    /// <summary>Acceleration by gravity (m/s²).</summary>
    public const double Gravity = 9.81;

    /// <summary>Joints.</summary>
    public required ImmutableArray<ModelJoint> Joints { get; init; }

    /// <summary>Bars.</summary>
    public required ImmutableArray<ModelBar> Bars { get; init; }

    /// <summary>The joints of the deck from left to right, by their places in the list.</summary>
    public required ImmutableArray<int> Deck { get; init; }

    /// <summary>What the deck weighs on each of them (N), down.</summary>
    public required ImmutableArray<double> DeckWeight { get; init; }

    /// <summary>Loads of vehicles on the joints of the deck, one position after another.</summary>
    public required ImmutableArray<VehiclePosition> Positions { get; init; }

    /// <summary>Factors and limits.</summary>
    public required TrussRules Rules { get; init; }

    /// <summary>Greatest movement of the deck under traffic, down (m); null for no limit.</summary>
    public double? DeflectionLimit { get; init; }

    /// <summary>The model of a scheme.</summary>
    public static TrussModel Of(TrussScheme scheme)
    {
        var places = new SitePlaces(scheme.Site);
        ImmutableArray<ModelJoint> joints =
        [
            .. places.Joints.Select(j => new ModelJoint(j.Id, j.At, j.Hold)),
            .. scheme.Joints.Select(j => new ModelJoint(j.Id, new(j.X, j.Z), JointHold.None) { IsFree = !j.Locked }),
        ];
        var named = new Dictionary<string, int>();
        for (var i = 0; i < joints.Length; i++)
            named.TryAdd(joints[i].Id, i);
        var half = places.DeckWeight * places.Width / 2 * places.Panel;
        var last = places.Deck.Length - 1;
        return new()
        {
            Joints = joints,
            Bars = [.. scheme.Bars.Select(b => Made(scheme, b, named)).OfType<ModelBar>()],
            Deck = [.. Enumerable.Range(0, last + 1)],
            DeckWeight = [.. Enumerable.Range(0, last + 1).Select(i => i == 0 || i == last ? half / 2 : half)],
            Positions = VehiclePositions.Of(scheme),
            Rules = scheme.Rules,
            DeflectionLimit = scheme.Site.Opening / scheme.Rules.Deflection,
        };
    }

    /// <summary>Length of a bar (m).</summary>
    public double Length(int bar) => Point.Distance(Joints[Bars[bar].From].At, Joints[Bars[bar].To].At);

    /// <summary>Mass of a bar (kg).</summary>
    public double Mass(int bar) => Bars[bar].Section.Area * Bars[bar].Grade.Density * Length(bar);

    private static ModelBar? Made(TrussScheme scheme, TrussBar bar, Dictionary<string, int> named) =>
        named.TryGetValue(bar.From, out var from)
        && named.TryGetValue(bar.To, out var to)
        && from != to
        && BarCatalogue.Section(scheme, bar.Family, bar.Size) is { } section
        && BarCatalogue.Grade(scheme, bar.Grade) is { } grade
            ? new(from, to, section, grade) { Price = BarCatalogue.SteelPrice(scheme, bar.Family, bar.Grade), IsLocked = bar.Locked }
            : null;
}
