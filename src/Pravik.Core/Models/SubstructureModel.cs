using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Roads;

namespace Pravik.Core.Models;

/// <summary>
/// Bearings, and below them piers and abutments as members down to the ground.
/// </summary>
/// <remarks>
/// A bearing stands where it lies and at the girder's soffit, joined rigidly to the girder's joint on the axis. Directions that it
/// holds have <see cref="Held"/>; those that it leaves free have none. Crossheads are beams at half their depth, columns beams
/// from their underside to the foundation, walls and seats rigid. Pads on springs: K_z = k·A, K_x = K_y = 2(1 − ν)/(2 − ν)·K_z with ν =
/// 1/3 (Gazetas, Foundation Engineering Handbook, 2nd edition, 1991, Table 15.1), K_r = k·I. Piles
/// bear at their feet, K_z = EA/L each, and bend as if held 1.4·R below the cap, R = (EI/(k·d))^¼ (Davisson, 1970), K_x =
/// 12·EI/(1.4R)³; rake is left out. Shafts and pile bents reach as far into the ground and are held there.
/// </remarks>
internal sealed class SubstructureModel
{
    /// <summary>Stiffness of what holds (N/m): a force of 1 MN moves it by 0.01 mm.</summary>
    public const double Held = 1e11;
    private const int Pieces = 4;
    private static readonly ImmutableArray<double> NoSprings = [0, 0, 0, 0, 0, 0];
    private readonly ImmutableArray<SupportPlace> places;
    private readonly FrameParts parts;
    private readonly bool withPiers;
    private readonly double modulus;
    private readonly Dictionary<int, Func<Point, int>> seats = [];
    private readonly Dictionary<string, int> names = [];

    public SubstructureModel(BridgeGeometry geometry, Ground? ground, FrameParts parts, bool withPiers)
    {
        (this.parts, this.withPiers) = (parts, withPiers);
        modulus = Concrete.Of(geometry.Bridge.Materials.Support).Ecm;
        places = SupportPlace.All(geometry, ground);
    }

    /// <summary>The bearings under a girder at an axis, of the spans that end on a row.</summary>
    public IEnumerable<BearingPlace> Bearings(AxisIndex axis, GirderIndex girder, IReadOnlyCollection<int> spans) =>
        places[axis].Bearings.Where(b => b.Girder.Number == girder + 1 && spans.Contains(b.Span));

    /// <summary>Whether any bearing under a girder of a unit resists movement along it.</summary>
    public bool HoldsAlong(GirderIndex girder, UnitPlace unit) =>
        places.SelectMany(p => p.Bearings).Any(b => b.Girder.Number == girder + 1 && unit.Has(b.Span) && b.Type.Shear().Along > 0);

    /// <summary>Puts a bearing under a joint of the mesh.</summary>
    public ModelSeat Place(BearingPlace bearing, AxisIndex axis, GirderIndex girder, int line, int joint)
    {
        var at = new Point3(bearing.At.X, bearing.At.Y, bearing.Soffit);
        var name = $"B{axis + 1}-G{girder + 1}";
        var number = names[name] = names.GetValueOrDefault(name) + 1;
        if (number > 1)
            name += $".{number}";
        var top = parts.AddNode(name, at);
        parts.Links.Add(new(joint, top));
        var along = new Point3(bearing.Along.X, bearing.Along.Y, 0);
        var (shear, upright) = (bearing.Type.Shear(), bearing.Type.Compression());
        double[] wanted = [shear.Along, shear.Across, upright];
        if (!withPiers)
        {
            parts.Supports.Add(
                new(
                    top,
                    [.. Enumerable.Range(0, 3).Where(d => double.IsInfinity(wanted[d])).Select(d => (FrameDirection)d)],
                    [.. wanted.Select(k => double.IsInfinity(k) ? 0 : k), 0, 0, 0]
                )
                {
                    X = along,
                }
            );
            return new(axis, girder, line, top, null);
        }
        if (!seats.TryGetValue(axis, out var seat))
            seats[axis] = seat = Stand(places[axis]);
        var below = parts.AddNode($"{name} seat", at);
        parts.Links.Add(new(seat(bearing.At), below));
        parts.Springs.Add(new(name, below, top, [.. wanted.Select(k => Math.Min(k, Held)), 0, 0, 0]) { X = along });
        return new(axis, girder, line, top, parts.Springs.Count - 1);
    }

    /// <summary>Puts up a support and says which of its joints carries a bearing at a place.</summary>
    private Func<Point, int> Stand(SupportPlace place) => place.Values.IsAbutment ? Abutment(place) : Pier(place);

    private int Node(SupportPlace place, string name, double u, double v, double level)
    {
        var at = place.World(new(u, v));
        return parts.AddNode($"A{place.Axis.Number} {name}", new(at.X, at.Y, level));
    }

    private Func<Point, int> Abutment(SupportPlace place)
    {
        var stem = place.Stems[0];
        var top = Node(place, "seat", stem.U, stem.V, place.CapSoffit);
        if (place.Values.Is("abutment", "wall"))
        {
            Column(place, "wall", stem, top, place.CapSoffit, place.FootTop, 0, (_, bottom) => Found(place, [bottom], place.Feet[0]));
            return _ => top;
        }
        Found(place, [top], place.Feet[0]);
        return _ => top;
    }

    private Func<Point, int> Pier(SupportPlace place)
    {
        var values = place.Values;
        var (width, deep) = (values.Size("capWidth"), values.Size("capDepth"));
        if (values.Is("pier", "wall"))
        {
            var wall = Node(place, "wall top", place.Stems[0].U, place.Stems[0].V, place.ShelfLevel);
            Column(
                place,
                "wall",
                place.Stems[0],
                wall,
                place.ShelfLevel,
                place.FootTop,
                0,
                (_, bottom) => Found(place, [bottom], place.Feet[0])
            );
            return _ => wall;
        }
        // A joint of the crosshead over each column and under each bearing.
        var middle = place.ShelfLevel - deep / 2;
        var at = place
            .Stems.Select(s => s.U)
            .Concat(place.Bearings.Select(b => place.Local(b.At).X))
            .Order()
            .Aggregate(
                new List<double>(),
                (list, u) =>
                {
                    if (list.Count == 0 || u - list[^1] > 0.02)
                        list.Add(u);
                    return list;
                }
            );
        var joints = at.Select((u, i) => Node(place, $"cap {i + 1}", u, 0, middle)).ToList();
        int Nearest(double u) => joints[at.IndexOf(at.MinBy(a => Math.Abs(a - u)))];
        for (var i = 0; i + 1 < joints.Count; i++)
            parts.AddOther(
                MemberKind.Crosshead,
                $"A{place.Axis.Number} cap {i + 1}",
                joints[i],
                joints[i + 1],
                ModelBuilder.SupportMaterial,
                "crosshead",
                width * deep,
                width * Math.Pow(deep, 3) / 12,
                deep * Math.Pow(width, 3) / 12,
                Core.Sections.Rectangle.TorsionConstant(width, deep)
            );
        var feet = new List<int>();
        for (var c = 0; c < place.Stems.Length; c++)
        {
            var (stem, foot) = (place.Stems[c], place.Feet.Length > 1 ? c : 0);
            Column(
                place,
                $"column {c + 1}",
                stem,
                Nearest(stem.U),
                middle,
                place.FootTop,
                deep / 2,
                (name, bottom) =>
                {
                    if (IsInGround(place))
                        Hold(bottom);
                    else if (place.Feet.Length > 1)
                        Found(place, [bottom], place.Feet[foot]);
                    else
                        feet.Add(bottom);
                }
            );
        }
        if (feet.Count > 0)
            Found(place, feet, place.Feet[0]);
        return world => Nearest(place.Local(world).X);
    }

    private static bool IsInGround(SupportPlace place) => place.Values.Is("pier", "pileBent") || place.Values.Is("foundation", "shaft");

    /// <summary>A column or wall from a joint above down to its foot, in equal pieces with the section half way along each.</summary>
    private void Column(
        SupportPlace place,
        string name,
        SupportPlace.Stem stem,
        int top,
        double topLevel,
        double bottomLevel,
        double rigid,
        Action<string, int> found
    )
    {
        var ahead = new Point3(place.Ahead.X, place.Ahead.Y, 0);
        if (IsInGround(place) && !place.Values.IsAbutment)
        {
            var (a, i) = Area(place, stem, 0) is var whole ? (whole.Area, whole.Along) : default;
            var diameter = Math.Sqrt(4 * a / Math.PI);
            bottomLevel -= 1.4 * Math.Pow(modulus * i / (place.Values.Size("subgrade") * diameter), 0.25);
        }
        var (from, height) = (topLevel - rigid, Math.Max(0.05, topLevel - rigid - bottomLevel));
        var above = top;
        for (var k = 1; k <= Pieces; k++)
        {
            var below = Node(place, $"{name} {k}", stem.U, stem.V, from - height * k / Pieces);
            var section = Area(place, stem, height * (k - 0.5) / Pieces);
            parts.Others.Add(new(MemberKind.Column, parts.Beams.Count, $"A{place.Axis.Number} {name} {k}"));
            parts.Beams.Add(
                new(
                    $"A{place.Axis.Number} {name} {k}",
                    below,
                    above,
                    ModelBuilder.SupportMaterial,
                    parts.Section("column", section.Area, section.Along, section.Across, section.Torsion)
                )
                {
                    Up = ahead,
                    OffsetJ =
                        k == 1
                            ? new(
                                parts.Nodes[below].At.X - parts.Nodes[above].At.X,
                                parts.Nodes[below].At.Y - parts.Nodes[above].At.Y,
                                -rigid
                            )
                            : default,
                }
            );
            above = below;
        }
        found(name, above);
    }

    /// <summary>
    /// Area and second moments of a column so far below its top: for bending along the bridge, across it, and for torsion.
    /// </summary>
    private static (double Area, double Along, double Across, double Torsion) Area(SupportPlace place, SupportPlace.Stem stem, double below)
    {
        var taper = place.Values.IsAbutment || place.Values.Is("pier", "wall") ? 0 : place.Values.Size("columnTaper");
        var (w, l) = (stem.Width + taper * below, stem.Length + taper * below);
        if (stem.Shape == "round")
            return (Math.PI * w * w / 4, Math.PI * Math.Pow(w, 4) / 64, Math.PI * Math.Pow(w, 4) / 64, Math.PI * Math.Pow(w, 4) / 32);
        if (stem.Shape != "obround")
            return (w * l, w * l * l * l / 12, l * w * w * w / 12, Core.Sections.Rectangle.TorsionConstant(w, l));
        // A rectangle with half rounds at its ends, the shorter size being their diameter.
        var (d, b) = (Math.Min(w, l), Math.Max(w, l) - Math.Min(w, l));
        var (area, thin) = (b * d + Math.PI * d * d / 4, b * d * d * d / 12 + Math.PI * Math.Pow(d, 4) / 64);
        var half = Math.PI * d * d / 8;
        var centroid = 2 * d / (3 * Math.PI);
        var thick =
            d * b * b * b / 12 + 2 * (Math.PI * Math.Pow(d, 4) / 128 - half * centroid * centroid + half * Math.Pow(b / 2 + centroid, 2));
        return (area, w > l ? thin : thick, w > l ? thick : thin, Core.Sections.Rectangle.TorsionConstant(Math.PI * d / 4 + b, d));
    }

    private void Hold(int node) => parts.Supports.Add(new(node, [.. FrameDirections.All], NoSprings));

    /// <summary>Joins the feet of columns to the underside of a foundation, and that to the ground.</summary>
    private void Found(SupportPlace place, IReadOnlyList<int> columns, SupportPlace.Foot foot)
    {
        var (u, v, width, length) = ((foot.From + foot.To) / 2, (foot.Back + foot.Ahead) / 2, foot.To - foot.From, foot.Ahead - foot.Back);
        var node = Node(place, $"foot {parts.AddedFeet++}", u, v, place.FoundingLevel);
        foreach (var column in columns)
            parts.Links.Add(new(node, column));
        var values = place.Values;
        if (values.Is("soil", "fixed"))
        {
            Hold(node);
            return;
        }
        var axes = (X: new Point3(place.Across.X, place.Across.Y, 0), Ground: values.Size("subgrade"));
        parts.Supports.Add(
            new(node, [], values.HasPiles ? [.. Piles(place, new(u, v))] : [.. Pad(axes.Ground, width, length)]) { X = axes.X }
        );
    }

    /// <summary>Springs of a pad along u, along v, upright, and about them.</summary>
    private static double[] Pad(double subgrade, double width, double length)
    {
        const double Nu = 1.0 / 3;
        var (upright, side) = (subgrade * width * length, 2 * (1 - Nu) / (2 - Nu));
        var (aboutU, aboutV) = (subgrade * width * Math.Pow(length, 3) / 12, subgrade * length * Math.Pow(width, 3) / 12);
        return [side * upright, side * upright, upright, aboutU, aboutV, side * (aboutU + aboutV)];
    }

    private double[] Piles(SupportPlace place, Point middle)
    {
        var (d, length, subgrade) = (place.Values.Size("pileDiameter"), place.Values.Size("pileLength"), place.Values.Size("subgrade"));
        var (upright, bending) = (modulus * Math.PI * d * d / 4 / length, modulus * Math.PI * Math.Pow(d, 4) / 64);
        var reach = Math.Min(length, 1.4 * Math.Pow(bending / (subgrade * d), 0.25));
        var side = 12 * bending / Math.Pow(reach, 3);
        var springs = new double[6];
        foreach (var (head, _) in place.Piles)
        {
            var (u, v) = (head.X - middle.X, head.Y - middle.Y);
            double[] one =
            [
                side,
                side,
                upright,
                upright * v * v + 4 * bending / reach,
                upright * u * u + 4 * bending / reach,
                side * (u * u + v * v),
            ];
            for (var i = 0; i < 6; i++)
                springs[i] += one[i];
        }
        return springs;
    }
}
