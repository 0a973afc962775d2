using Pravik.Core.Bridges;
using Pravik.Core.Geometry;
using Pravik.Core.Materials;
using Pravik.Core.Places;
using Pravik.Core.Roads;
using Pravik.Core.Solids;
using Pravik.Core.Units;

namespace Pravik.Core.Quantities;

/// <summary>
/// The bill of quantities of a bridge. Volumes are those of the solids, of slab and haunches by integration; formwork is the area of
/// faces that are upright or look
/// down, without those that lie on the ground or on girders. Diaphragms count between the outer girders, without what the girders take
/// away from them.
/// </summary>
public static class Bill
{
    /// <summary>Density of steel (kg/m³): EN 1991-1-1 Table A.4, 77 kN/m³, as 7850.</summary>
    public const double SteelDensity = 7850;

    /// <summary>A face whose normal rises less than this above the horizontal counts as upright.</summary>
    private const double Upright = 0.5;

    /// <summary>All quantities of a bridge; ground is wanted for foundations.</summary>
    public static IReadOnlyList<BillItem> Of(BridgeGeometry geometry, Ground? ground)
    {
        var bridge = geometry.Bridge;
        var (superstructure, supports) = (new BridgeSolids(geometry), SupportPlace.All(geometry, ground));
        var parts = supports.SelectMany(s => new SupportSolids(s).Parts()).ToList();
        var factor = UnitSystem.Named(bridge.Basis.Units);
        List<BillItem> items = [];
        var lines = geometry.Pieces.Select(p => (p.Girder, p.Span, Length: geometry.LengthOf(p.Girder, p.Span))).ToList();
        var (cast, steel) = (
            lines.Where(l => !geometry.SectionOf(l.Girder, l.Span).IsSteel).ToList(),
            lines.Where(l => geometry.SectionOf(l.Girder, l.Span).IsSteel).ToList()
        );
        var (slab, support) = (bridge.Materials.Slab.Class, bridge.Materials.Support.Class);
        double Volume(params SolidKind[] kinds) => parts.Where(p => kinds.Contains(p.Kind)).Sum(p => p.Solid.Volume);
        double Sides(params SolidKind[] kinds) =>
            parts.Where(p => kinds.Contains(p.Kind)).Sum(p => p.Solid.Area(n => Math.Abs(n.Z) < Upright));

        Add("concrete.slab", "Concrete", $"Deck slab, {slab}", geometry.SlabVolume, QuantityKind.Volume);
        Add(
            "concrete.haunches",
            "Concrete",
            $"Haunches, {slab}",
            lines.Sum(l => geometry.HaunchOf(l.Girder, l.Span).Volume),
            QuantityKind.Volume
        );
        Add(
            "concrete.diaphragms",
            "Concrete",
            $"Diaphragms, {slab}",
            supports.Sum(s =>
                (s.Axis.Kind == AxisKind.Joint ? 2 : 1)
                * (s.LastGirder - s.FirstGirder)
                * bridge.Girders.Diaphragm.Width
                * bridge.Girders.Diaphragm.Depth
            )
                + geometry
                    .DiaphragmBays()
                    .Where(b => b.Diaphragm.Kind == DiaphragmKind.Concrete)
                    .Sum(b => b.Clear * b.Diaphragm.Width * b.Diaphragm.Depth),
            QuantityKind.Volume
        );
        Add(
            "concrete.edgeBeams",
            "Concrete",
            $"Edge beams, {slab}",
            superstructure.Strips().Where(p => p.Kind == SolidKind.EdgeBeams).Sum(p => p.Solid.Volume),
            QuantityKind.Volume
        );
        var byClass = cast.GroupBy(l => geometry.TypeOf(l.Girder, l.Span).Concrete.Class).ToList();
        foreach (var of in byClass)
            Add(
                byClass.Count == 1 ? "concrete.girders" : $"concrete.girders.{of.Key}",
                "Concrete",
                $"{(bridge.Girders.CastInPlace ? "Girders cast in place" : "Precast girders")}, {of.Key}",
                of.Sum(l => geometry.GirderVolume(l.Girder, l.Span)),
                QuantityKind.Volume
            );
        Add(
            "concrete.abutments",
            "Concrete",
            $"Abutments and wing walls, {support}",
            Volume(SolidKind.Abutments, SolidKind.WingWalls),
            QuantityKind.Volume
        );
        Add("concrete.approach", "Concrete", $"Approach slabs, {support}", Volume(SolidKind.ApproachSlabs), QuantityKind.Volume);
        Add(
            "concrete.piers",
            "Concrete",
            $"Piers, crossheads and plinths, {support}",
            Volume(SolidKind.Piers, SolidKind.Crossheads, SolidKind.Plinths),
            QuantityKind.Volume
        );
        Add("concrete.foundations", "Concrete", $"Pads and pile caps, {support}", Volume(SolidKind.Foundations), QuantityKind.Volume);
        Add("concrete.piles", "Concrete", $"Piles and shafts, {support}", Volume(SolidKind.Piles), QuantityKind.Volume);

        // Under the slab the girders' flanges are no formwork; over them the haunches' sides are.
        var slabs = superstructure.Slabs().ToList();
        // A thickening covers as much of the soffit as its own top.
        var soffit =
            slabs.Sum(p => p.Solid.Area(n => n.Z < Upright))
            - slabs.Where(p => p.Kind == SolidKind.Thickenings).Sum(p => p.Solid.Area(n => n.Z >= Upright))
            - lines.Sum(l => geometry.SectionOf(l.Girder, l.Span).TopWidth * l.Length);
        Add("formwork.deck", "Formwork", "Slab, soffit and edges", soffit, QuantityKind.Area);
        Add(
            "formwork.haunches",
            "Formwork",
            "Sides of haunches",
            superstructure.Haunches().Sum(p => p.Solid.Area(n => Math.Abs(n.Z) < Upright)),
            QuantityKind.Area
        );
        Add(
            "formwork.abutments",
            "Formwork",
            "Abutments and wing walls",
            Sides(SolidKind.Abutments, SolidKind.WingWalls, SolidKind.ApproachSlabs),
            QuantityKind.Area
        );
        Add(
            "formwork.piers",
            "Formwork",
            "Piers and plinths, crossheads with soffit",
            Sides(SolidKind.Piers, SolidKind.Crossheads, SolidKind.Plinths)
                + parts.Where(p => p.Kind == SolidKind.Crossheads).Sum(p => p.Solid.Area(n => n.Z <= -Upright)),
            QuantityKind.Area
        );
        Add("formwork.foundations", "Formwork", "Pads and pile caps", Sides(SolidKind.Foundations), QuantityKind.Area);

        foreach (var kind in lines.GroupBy(l => geometry.SectionOf(l.Girder, l.Span).Shape.Name))
        {
            Add($"girders.number.{kind.Key}", "Girders", $"{kind.Key}, number", kind.Count(), QuantityKind.Count);
            Add($"girders.length.{kind.Key}", "Girders", $"{kind.Key}, length", kind.Sum(l => l.Length), QuantityKind.Length);
        }
        Add(
            "steel.girders",
            "Steel",
            "Girders of steel",
            steel.Sum(l => geometry.GirderVolume(l.Girder, l.Span)) * SteelDensity,
            QuantityKind.Mass
        );
        Add(
            "steel.frames",
            "Steel",
            "Cross-frames and diaphragms of steel",
            geometry.DiaphragmBays().Sum(b => (geometry.BarsOf(b.Diaphragm)?.Properties.GrossArea ?? 0) * b.BarLength) * SteelDensity,
            QuantityKind.Mass
        );
        var work = steel.Count == 0 ? default : geometry.Girders.Select(g => SteelWork.Of(geometry, g)).Aggregate((a, b) => a + b);
        Add("steel.welds", "Steel", "Fillet welds of girders and stiffeners", work.Welds, QuantityKind.Length);
        Add("steel.paint", "Steel", "Steel to be painted", work.Paint + SteelWork.PaintOfFrames(geometry), QuantityKind.Area);
        var studs = steel.SelectMany(l => StudRun.Of(geometry, l.Girder, l.Span)).ToList();
        Add("steel.studs", "Steel", "Studs, number", studs.Sum(s => s.Count), QuantityKind.Count);
        Add("steel.studMass", "Steel", "Studs", studs.Sum(s => s.Mass), QuantityKind.Mass);
        Add("steel.stiffeners", "Steel", "Stiffeners", geometry.StiffenerPlaces().Sum(s => s.Volume) * SteelDensity, QuantityKind.Mass);
        var strands = cast.Select(l => (l.Length, Count: geometry.TypeOf(l.Girder, l.Span).Strands.Rows.Sum(r => r.Count))).ToList();
        var counts = strands.Select(s => s.Count).Distinct().Order().ToList();
        Add(
            "steel.strands",
            "Steel",
            counts.Count == 1 ? $"Strands, {counts[0]} in every girder" : $"Strands, {string.Join(" or ", counts)} in a girder",
            strands.Sum(s => s.Count * s.Length) * PrestressingSteel.Of(bridge.Materials.Strand).Area * SteelDensity,
            QuantityKind.Mass
        );
        var ducts = geometry
            .Girders.SelectMany(g => bridge.Girders.Tendons.Select(t => (Tendon: t, Path: TendonPath.Of(geometry, t, g))))
            .Where(t => t.Path is not null)
            .Select(t => (t.Tendon.Ducts, t.Tendon.Strands, t.Path!.Length, Ends: t.Tendon.Jacked == Tendon.AtBoth ? 2 : 1))
            .ToList();
        Add(
            "steel.tendons",
            "Steel",
            "Strands of tendons, without what is cut off at jacks",
            ducts.Sum(d => d.Ducts * d.Strands * d.Length) * PrestressingSteel.Of(bridge.Materials.Strand).Area * SteelDensity,
            QuantityKind.Mass
        );
        Add("tendons.ducts", "Tendons", "Ducts with grout, length", ducts.Sum(d => d.Ducts * d.Length), QuantityKind.Length);
        Add("tendons.jacked", "Tendons", "Anchorages that are jacked", ducts.Sum(d => d.Ducts * d.Ends), QuantityKind.Count);
        Add("tendons.fixed", "Tendons", "Anchorages that are not", ducts.Sum(d => d.Ducts * (2 - d.Ends)), QuantityKind.Count);
        Add(
            "steel.girderBars",
            "Steel",
            "Bars along girders, without laps",
            cast.Sum(l => GirderBars(geometry, l.Girder, l.Span)) * SteelDensity,
            QuantityKind.Mass
        );
        Add(
            "steel.links",
            "Steel",
            "Legs of links in girders, without hooks and what joins legs",
            cast.Sum(l => Links(geometry, l.Girder, l.Span)) * SteelDensity,
            QuantityKind.Mass
        );
        Add(
            "steel.slabBars",
            "Steel",
            "Slab bars along the bridge, without laps",
            (bridge.Girders.SlabBars.Top.AreaPerMetre + bridge.Girders.SlabBars.Bottom.AreaPerMetre) * geometry.DeckArea * SteelDensity,
            QuantityKind.Mass
        );
        Add(
            "steel.barsAcross",
            "Steel",
            "Slab bars across the bridge, without laps and ends",
            (bridge.Girders.BarsAcross.Top.AreaPerMetre + bridge.Girders.BarsAcross.Bottom.AreaPerMetre) * geometry.DeckArea * SteelDensity,
            QuantityKind.Mass
        );

        foreach (var type in supports.SelectMany(s => s.Bearings).GroupBy(b => b.Type.Name))
            Add($"bearings.{type.Key}", "Bearings", type.Key, type.Count(), QuantityKind.Count);
        Add(
            "piles.length",
            "Piles",
            "Piles and shafts, length",
            supports.Sum(s =>
                s.Values.HasPiles
                    ? s.Piles.Sum(p => Math.Sqrt(Math.Pow(s.Values.Size("pileLength"), 2) + Math.Pow(Point.Distance(p.Head, p.Foot), 2)))
                : s.Values.Is("foundation", "shaft") || s.Values.Is("pier", "pileBent") ? s.Stems.Length * s.Values.Size("pileLength")
                : 0
            ),
            QuantityKind.Length
        );
        foreach (var kind in new[] { (SolidKind.Surfacing, "Surfacing"), (SolidKind.Footways, "Fill of footways and verges") })
            Add(
                $"finishes.{kind.Item1.Words()}",
                "Finishes",
                kind.Item2,
                superstructure.Strips().Where(p => p.Kind == kind.Item1).Sum(p => p.Solid.Volume),
                QuantityKind.Volume
            );
        foreach (var profile in ParapetLine.All(geometry).GroupBy(p => p.Profile.Name))
            Add($"parapets.{profile.Key}", "Finishes", $"Parapet: {profile.Key}", profile.Sum(p => p.To - p.From), QuantityKind.Length);
        return items;

        void Add(string key, string group, string words, double amount, QuantityKind kind)
        {
            if (amount <= 0)
                return;
            // Keys are names of values in the document.
            key = key.Replace('/', '-').Replace('~', '-');
            items.Add(
                new(
                    key,
                    group,
                    words,
                    amount,
                    kind,
                    bridge.Costs.Rates.TryGetValue(key, out var rate) ? rate * amount / factor[kind].Factor : null
                )
            );
        }
    }

    /// <summary>Volume of the bars along a girder (m³), counted in the middle of each row.</summary>
    private static double GirderBars(BridgeGeometry geometry, GirderLine girder, SpanIndex span)
    {
        var runs = geometry.TypeOf(girder, span).Bars.SelectMany(r => r.In(geometry.SectionOf(girder, span, (r.From + r.To) / 2)));
        return runs.Sum(r => r.Area * (r.To - r.From)) * girder.SpanLength(span);
    }

    /// <summary>Volume of the legs of links in a girder, each as long as the girder is deep (m³).</summary>
    private static double Links(BridgeGeometry geometry, GirderLine girder, SpanIndex span)
    {
        const int Pieces = 100;
        var (zones, length) = (geometry.TypeOf(girder, span).Links, geometry.LengthOf(girder, span));
        var (from, to) = geometry.EndsOf(girder, span);
        return Enumerable
            .Range(0, Pieces)
            .Select(i => (i + 0.5) / Pieces)
            .Sum(part =>
                LinkZone.At(zones, Math.Min(part, 1 - part) * length) is { } zone
                    ? zone.Area / zone.Spacing * geometry.SectionOf(girder, span, from + part * (to - from)).Depth * length / Pieces
                    : 0
            );
    }
}
