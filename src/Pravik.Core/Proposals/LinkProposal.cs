using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Checks;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Materials;
using Pravik.Core.Members;
using Pravik.Core.Places;
using Pravik.Core.Runs;

namespace Pravik.Core.Proposals;

/// <summary>
/// Zones of links for a type of girder with which shear, torsion and the shear between girder and slab are met everywhere by the least
/// steel, or why there are none.
/// </summary>
public sealed record LinkProposal
{
    /// <summary>Places along a girder are asked for links in cells of this length (m).</summary>
    private const double Cell = 0.5;

    /// <summary>Distances of links are multiples of this (m), from <see cref="Nearest"/> to <see cref="Farthest"/>.</summary>
    private const double Step = 0.025;
    private const double Nearest = 0.075;
    private const double Farthest = 0.3;
    private const int MostZones = 3;

    /// <summary>Utilisation that is aimed at: what is between places is a little more than at them.</summary>
    private const double Aim = 0.99;

    private static readonly double[] Diameters = [0.010, 0.012, 0.014, 0.016, 0.020];

    /// <summary>The zones; none where no links do.</summary>
    public ImmutableArray<LinkZone> Zones { get; private init; } = [];

    /// <summary>Why no links do, and what would help; empty where some do.</summary>
    public string Why { get; private init; } = "";

    /// <summary>The worst of the checks that count on them, from the checks themselves.</summary>
    public CheckOutcome? Worst { get; private init; }

    /// <summary>Steel of legs in all girders of the type over that of today.</summary>
    public double OfToday { get; private init; }

    /// <summary>
    /// What a proposal is made from: the needs of cells from the end of a girder to its middle, and how many girders are that long.
    /// </summary>
    private sealed record Needs(double[] PerLength, double[] MostSpacing, double[] Weight);

    /// <summary>Proposes links for a type of girder.</summary>
    /// <param name="geometry">The bridge.</param>
    /// <param name="results">Its results.</param>
    /// <param name="type">The type, from 0.</param>
    public static LinkProposal Of(BridgeGeometry geometry, BridgeResults results, int type)
    {
        var today = geometry.Bridge.Girders.Types[type].Links;
        var legs = today.IsEmpty ? 2 : today.Max(z => z.Legs);
        var steel = ReinforcingSteel.Of(geometry.Bridge.Materials.Reinforcement);
        // Sections without links are asked with some: what they need does not depend on which.
        var members = With(geometry, results, type, _ => MemberLinks.Of(new LinkZone { Legs = legs }, steel));
        var needs = members.SelectMany(m => m.Places.Select(p => (m.Member, Place: p, Need: LinkNeed.Of(m.Member, p)!.Value))).ToList();
        if (needs.Count == 0)
            return new() { Why = "No girder of this type is checked." };
        if (needs.Find(n => n.Need.Refusal is not null) is { Member: { } failed } at)
            return new() { Why = $"{failed.Name} at station {failed.Points[at.Place].Station:0.###} m: {at.Need.Refusal}" };
        var cells = CellsOf(needs.Select(n => (n.Member.Points[n.Place].Section!.FromEnd, n.Need)), members);
        var best = default((double Steel, ImmutableArray<LinkZone> Zones)?);
        foreach (var diameter in Diameters)
        {
            var area = new LinkZone { Legs = legs, Diameter = diameter }.Area;
            if (Zoned(cells, area) is { } found && (best is null || found.Steel < best.Value.Steel * (1 - 1e-9)))
                best = (found.Steel, [.. found.Zones.Select(z => z with { Legs = legs, Diameter = diameter })]);
        }
        if (best is null)
            return new()
            {
                Why = "Links would lie nearer than 75 mm to each other: more legs, a thicker web or flatter struts would help.",
            };
        var proposed = With(geometry, results, type, p => MemberLinks.Of(LinkZone.At(best.Value.Zones, p.FromEnd)!, steel));
        ImmutableArray<Member> girders = [.. proposed.Select(m => m.Member)];
        IMemberCheck[] checks = [new UltimateShear().Of(girders), new InterfaceShear().Of(girders), new UltimateTorsion().Of(girders)];
        var worst = proposed
            .SelectMany(m => m.Places.SelectMany(p => checks.SelectMany(c => c.At(m.Member, p))))
            .Where(o => o.Check != "torsion.chord")
            .MaxBy(o => o.Utilisation)!;
        var (first, others) = (SteelOf(cells, today), best.Value.Steel);
        return new()
        {
            Zones = best.Value.Zones,
            Worst = worst,
            OfToday = first > 0 ? others / first : double.PositiveInfinity,
            Why = worst.Passes ? "" : $"{worst.Name} fails with them: a thicker web, stronger concrete or steeper struts would help.",
        };
    }

    /// <summary>The girders of a type as members with links of their own, and the places that are of the type.</summary>
    private static List<(Member Member, ImmutableArray<int> Places)> With(
        BridgeGeometry geometry,
        BridgeResults results,
        int type,
        Func<MemberSection, MemberLinks> links
    )
    {
        List<(Member, ImmutableArray<int>)> all = [];
        foreach (var member in results.Members)
        {
            bool IsOf(MemberPoint p) =>
                p.Section is { IsInterrupted: false }
                && geometry.Sections.TypeIndex(results.Points[p.Number].Girder.Number, results.Points[p.Number].Span) == type;
            var points = member.Points.Select(p => IsOf(p) ? p with { Section = p.Section! with { Links = links(p.Section) } } : p);
            var made = member with { Points = [.. points] };
            ImmutableArray<int> places = [.. Enumerable.Range(0, made.Points.Length).Where(i => IsOf(member.Points[i]))];
            if (places.Length > 0)
                all.Add((made, places));
        }
        return all;
    }

    /// <summary>Needs by cells from the end: each place asks for its own and the next cells on both sides up to its neighbours.</summary>
    private static Needs CellsOf(
        IEnumerable<(double FromEnd, LinkNeed Need)> places,
        List<(Member Member, ImmutableArray<int> Places)> members
    )
    {
        var all = places.ToList();
        var spacing = members.Max(m =>
            m.Places.Zip(m.Places.Skip(1)).Max(p => m.Member.Points[p.Second].Distance - m.Member.Points[p.First].Distance)
        );
        var count = (int)Math.Ceiling((all.Max(p => p.FromEnd) + 1e-9) / Cell);
        var needs = new Needs(new double[count], new double[count], new double[count]);
        for (var i = 0; i < count; i++)
        {
            // What lies within the distance of places may govern between them.
            var (from, to) = (i * Cell - spacing, (i + 1) * Cell + spacing);
            var near = all.Where(p => p.FromEnd >= from && p.FromEnd <= to).Select(p => p.Need).ToList();
            needs.PerLength[i] = near.Max(n => n.PerLength) / Aim;
            needs.MostSpacing[i] = near.Min(n => n.MostSpacing);
            needs.Weight[i] = members.Count(m => m.Places.Max(p => m.Member.Points[p].Section!.FromEnd) >= i * Cell);
        }
        return needs;
    }

    private static double SteelOf(Needs cells, ImmutableArray<LinkZone> zones) =>
        zones.IsEmpty
            ? 0
            : cells
                .Weight.Select((weight, i) => (weight, LinkZone.At(zones, (i + 0.5) * Cell)!))
                .Sum(c => c.weight * c.Item2.Area / c.Item2.Spacing);

    /// <summary>At most three zones of links of an area with the least steel; null where links would lie too near.</summary>
    private static (double Steel, ImmutableArray<LinkZone> Zones)? Zoned(Needs cells, double area)
    {
        var count = cells.PerLength.Length;
        var best = default((double, ImmutableArray<LinkZone>)?);
        for (var first = 1; first <= count; first++)
        {
            for (var second = first; second <= count; second++)
            {
                int[] ends = [.. new[] { first, second, count }.Distinct().Take(MostZones)];
                var (from, sum, zones) = (0, 0.0, new List<LinkZone>());
                foreach (var end in ends)
                {
                    if (Spacing(cells, from, end, area) is not { } spacing)
                        break;
                    sum += cells.Weight[from..end].Sum() * area / spacing;
                    if (zones.Count > 0 && zones[^1].Spacing == spacing)
                        zones[^1] = zones[^1] with { Length = zones[^1].Length + (end - from) * Cell };
                    else
                        zones.Add(new() { Length = (end - from) * Cell, Spacing = spacing });
                    from = end;
                }
                if (from == count && (best is null || sum < best.Value.Item1 * (1 - 1e-9)))
                    best = (sum, [.. zones]);
            }
        }
        return best;
    }

    /// <summary>The greatest distance of links over some cells; null where it is too small.</summary>
    private static double? Spacing(Needs cells, int from, int to, double area)
    {
        var need = Math.Min(area / cells.PerLength[from..to].Max(), Math.Min(Farthest, cells.MostSpacing[from..to].Min()));
        var spacing = Math.Round(Math.Floor(need / Step + 1e-9) * Step, 3);
        return spacing < Nearest ? null : spacing;
    }
}
