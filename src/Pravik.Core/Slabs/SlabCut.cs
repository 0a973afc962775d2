using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Codes;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Plates;
using Pravik.Core.Traffic;

namespace Pravik.Core.Slabs;

/// <summary>A girder where the slab is cut: its offset, half the width over which it holds the slab, and its stiffness.</summary>
/// <param name="Name">Its name.</param>
/// <param name="At">Offset of its middle (m).</param>
/// <param name="Half">From its middle to the face at which the slab is looked at (m).</param>
/// <param name="Bending">EI with its part of the slab (N·m²).</param>
/// <param name="Torsion">GJ (N·m²).</param>
public sealed record SlabHold(string Name, double At, double Half, double Bending, double Torsion)
{
    /// <summary>Offset of its left face (m).</summary>
    public double Left => At - Half;

    /// <summary>Offset of its right face (m).</summary>
    public double Right => At + Half;
}

/// <summary>A place at which the slab is checked: its line of the plate, its offset, and the thickness there (m).</summary>
/// <param name="Line">Number of the line.</param>
/// <param name="At">Offset from the road line (m).</param>
/// <param name="Thickness">Thickness of the slab (m).</param>
public sealed record SlabSpot(int Line, double At, double Thickness);

/// <summary>
/// The slab cut square to the road half way along a span: what holds it, its thickness, and the lines of the plate that stands for it.
/// </summary>
/// <remarks>
/// The slab is held by girders at their middles, and looked at from the edge of their top flange, which thickens it within; over girders of
/// steel from the face of the web. The plate is straight and as long as the span, simply supported at its ends. Poisson’s ratio is 0.2 (EN
/// 1992-1-1 3.1.3(4)), the slab uncracked.
/// </remarks>
public sealed class SlabCut
{
    /// <summary>ν of uncracked concrete.</summary>
    public const double Poisson = 0.2;

    /// <summary>Clear slab below this is none (m).</summary>
    private const double LeastBay = 0.25;
    private const double Widest = 0.125;
    private const int PlacesOfBay = 10;
    private const int PlacesOfOverhang = 4;

    private SlabCut(BridgeGeometry geometry, SpanIndex span, double station, ImmutableArray<SlabHold> girders)
    {
        (Bridge, Station, Girders) = (geometry.Bridge, station, girders);
        Section = geometry.UnitOf(span).Shape.At(station);
        Carriageways = geometry.CarriagewaysAt(geometry.UnitOf(span), station);
        Parapets = [.. ParapetLine.All(geometry).Where(p => p.Unit == geometry.UnitOf(span) && p.Covers(station))];
        Length = geometry.GirdersIn(span).Average(g => g.SpanLength(span));
        var wanted = Wanted().Where(o => o >= Section.LeftEdge && o <= Section.RightEdge).ToList();
        Lines = [.. Filled([Section.LeftEdge, .. wanted, .. girders.Select(g => g.At), Section.RightEdge])];
        Thicknesses = [.. Lines.Zip(Lines.Skip(1), (a, b) => Section.Thickness((a + b) / 2))];
        Spots = [.. wanted.Distinct().Order().Select(o => new SlabSpot(LineAt(o), o, Section.Thickness(o)))];
    }

    /// <summary>The cut of a span, or why there is none.</summary>
    public static (SlabCut? Cut, string? Refusal) Of(BridgeGeometry geometry, SpanIndex span)
    {
        var (axes, bridge, lines) = (geometry.Axes, geometry.Bridge, geometry.GirdersIn(span));
        if (bridge.Basis.Standard != Standard.Eurocode)
            return (null, "under AASHTO LRFD");
        if (TrafficPlan.Has(bridge, TrafficGroup.Rail))
            return (null, "under railway traffic");
        if (lines.Length < 2)
            return (null, "on a single girder");
        var station = (axes[span.FirstAxis].Station + axes[span.LastAxis].Station) / 2;
        var girders = ImmutableArray.CreateBuilder<SlabHold>();
        foreach (var girder in lines)
        {
            if (geometry.GirderCutAt(girder, station) is not { } at || at.Span != span)
                return (null, "where girders do not all reach half way along");
            var section = geometry.SectionOf(girder, span, at.Fraction);
            if (section.Cells is not null || section.Solids.Length > 1 && !section.IsSteel)
                return (null, "over boxes and voided slabs");
            var modulus = geometry.Sections.Modulus(girder.Number, span);
            var shear = modulus / (2 * (1 + (section.IsSteel ? 0.3 : Poisson)));
            var half = (section.IsSteel ? section.WebWidth : section.TopWidth) / 2;
            var bending = modulus * EffectiveSlab.Composite(geometry, girder, span, at.Fraction).SecondMoment;
            girders.Add(new(girder.Name, at.Offset, half, bending, shear * section.Properties.J));
        }
        girders.Sort((a, b) => a.At.CompareTo(b.At));
        if (girders.Zip(girders.Skip(1), (a, b) => b.Left - a.Right).Any(clear => clear < LeastBay))
            return (null, "where girders leave no slab clear between them");
        return (new(geometry, span, station, girders.ToImmutable()), null);
    }

    /// <summary>Station of the cut (m).</summary>
    public double Station { get; }

    /// <summary>Length of the plate, that of the girders on the mean (m).</summary>
    public double Length { get; }

    /// <summary>The deck there.</summary>
    public DeckSection Section { get; }

    /// <summary>The girders from left to right.</summary>
    public ImmutableArray<SlabHold> Girders { get; }

    /// <summary>Offsets of the lines of the plate (m).</summary>
    public ImmutableArray<double> Lines { get; }

    /// <summary>Thickness of the slab between each line and the next (m).</summary>
    public ImmutableArray<double> Thicknesses { get; }

    /// <summary>The places that are checked, from left to right.</summary>
    public ImmutableArray<SlabSpot> Spots { get; }

    /// <summary>The bridge.</summary>
    public Bridge Bridge { get; }

    /// <summary>Where traffic may drive.</summary>
    public ImmutableArray<Carriageway> Carriageways { get; }

    /// <summary>The parapets there.</summary>
    public ImmutableArray<ParapetLine> Parapets { get; }

    /// <summary>The plate: on girders that give way as they do half way along, or not at all, as near their ends.</summary>
    /// <param name="givesWay">Whether they do.</param>
    /// <param name="over">The shortest length over which loads are spread (m).</param>
    public StripPlate Plate(bool givesWay, double over)
    {
        var concrete = Concrete.Of(Bridge.Materials.Slab);
        double Stiffness(double thickness) => concrete.Ecm * Math.Pow(thickness, 3) / 12 / (1 - Poisson * Poisson);
        PlateLine Line(double at) =>
            Girders.FirstOrDefault(g => Math.Abs(g.At - at) < 1e-9) is { } g
                ? new(at, givesWay ? g.Bending : double.PositiveInfinity, g.Torsion)
                : new(at);
        return new([.. Lines.Select(Line)], [.. Thicknesses.Select(Stiffness)], Poisson, Length, over);
    }

    private int LineAt(double offset) => Enumerable.Range(0, Lines.Length).MinBy(l => Math.Abs(Lines[l] - offset));

    /// <summary>Faces of girders, and places between them at equal distances.</summary>
    private IEnumerable<double> Wanted()
    {
        IEnumerable<double> Between(double from, double to, int pieces) =>
            to - from < 1e-6 ? [] : Enumerable.Range(0, pieces + 1).Select(i => from + (to - from) * i / pieces);
        foreach (var at in Between(Section.LeftEdge, Girders[0].Left, PlacesOfOverhang).Skip(1))
            yield return at;
        for (var i = 0; i + 1 < Girders.Length; i++)
        {
            foreach (var at in Between(Girders[i].Right, Girders[i + 1].Left, PlacesOfBay))
                yield return at;
        }
        foreach (var at in Between(Girders[^1].Right, Section.RightEdge, PlacesOfOverhang).SkipLast(1))
            yield return at;
    }

    /// <summary>Places in order, each once, with as many between them as leave no strip too wide.</summary>
    private static IEnumerable<double> Filled(IEnumerable<double> places)
    {
        List<double> all = [];
        foreach (var at in places.Order())
        {
            if (all.Count > 0 && at - all[^1] < 1e-6)
                continue;
            var (last, pieces) = (all.LastOrDefault(at), all.Count == 0 ? 0 : (int)Math.Ceiling((at - all[^1]) / Widest));
            for (var i = 1; i < pieces; i++)
                all.Add(last + (at - last) * i / pieces);
            all.Add(at);
        }
        return all;
    }
}
