using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Loads;
using Pravik.Core.Materials;
using Pravik.Core.Models;
using Pravik.Core.Places;

namespace Pravik.Core.Stages;

/// <summary>
/// Creep and shrinkage after the bridge stands whole, by the age-adjusted effective modulus.
/// </summary>
/// <remarks>
/// From the day t₁ on which all is joined to the last day t, a fibre stressed by the load of stage i since the day τ_i would creep
/// freely by [φ(t, τ_i) − φ(t₁, τ_i)]·σ_i/E, by φ(t, τ_i)·σ_i/E where the load came later; and shrink by ε_cs(t) − ε_cs(t₁). The whole
/// structure,
/// with E/(1 + χ·φ(t, t₁)) in every layer, answers to these free strains (EN 1992-1-1 Annex B; EN 1992-2 Annex KK.7, χ = 0.8; Ghali and
/// Favre, Concrete Structures: Stresses and Deformations, 2nd edition, chapters 2 to 4). For one section and
/// one kind of concrete the moment at a pier becomes φ/(1 + χφ) of that in the structure cast in one.
/// </remarks>
public sealed class LongTerm
{
    private readonly BridgeGeometry geometry;
    private readonly ImmutableArray<StageStep> steps;
    private readonly Actions values;
    private readonly ImmutableArray<ModelPoint> points;
    private readonly double ready;
    private readonly Creep girderCreep;
    private readonly Creep slabCreep;
    private readonly Shrinkage girderShrinkage;
    private readonly Shrinkage slabShrinkage;

    public LongTerm(BridgeGeometry geometry, ImmutableArray<StageStep> steps, StageState finished, ImmutableArray<ModelPoint> points)
    {
        (this.geometry, this.steps, this.points) = (geometry, steps, points);
        values = geometry.Bridge.Actions;
        ready = Staging.ReadyOn(steps, finished);
        var (girder, slab) = (Concrete.Of(geometry.Bridge.Materials.Girder), Concrete.Of(geometry.Bridge.Materials.Slab));
        var section = geometry.SectionOf(geometry.Girders[0], geometry.Girders[0].FirstSpan);
        // The slab dries at both faces; h0 is then its thickness.
        var (girderSize, slabSize) = (
            2 * section.Properties.GrossArea / section.Properties.Perimeter,
            geometry.SlabThickness(geometry.Girders[0], geometry.Girders[0].FirstSpan, 0.5)
        );
        (girderCreep, slabCreep) = (
            new(girder, values.Humidity, girderSize, values.Cement),
            new(slab, values.Humidity, slabSize, values.Cement)
        );
        (girderShrinkage, slabShrinkage) = (
            new(girder, values.Humidity, girderSize, values.Cement),
            new(slab, values.Humidity, slabSize, values.Cement)
        );
        var cast = Enumerable
            .Range(0, geometry.SpanCount)
            .Select(s => Staging.CastOn(steps, s))
            .OfType<double>()
            .DefaultIfEmpty(ready)
            .Max();
        State = finished with
        {
            GirderFactor = 1 / (1 + values.Aging * girderCreep.At(values.LastDay, ready)),
            SlabFactor = 1 / (1 + values.Aging * slabCreep.At(values.LastDay - cast, ready - cast)),
        };
        ImmutableArray<TimeValue> all =
        [
            new("t_1", "day on which all is joined", ready, ""),
            new("h_0,girder", "notional size of the girder, 2A/u, m", girderSize, "EN 1992-1-1 3.1.4(5)"),
            new("h_0,slab", "notional size of the slab, m", slabSize, "EN 1992-1-1 3.1.4(5)"),
            new("φ_girder", $"from day {ready:0} to day {values.LastDay:0}", girderCreep.At(values.LastDay, ready), "EN 1992-1-1 (B.1)"),
            new("φ_slab", $"loaded at {ready - cast:0} days", slabCreep.At(values.LastDay - cast, ready - cast), "EN 1992-1-1 (B.1)"),
            new("E_girder", "age-adjusted modulus over E_cm", State.GirderFactor, "1/(1 + χφ)"),
            new("E_slab", "age-adjusted modulus over E_cm", State.SlabFactor, "1/(1 + χφ)"),
            new(
                "ε_cs,girder",
                "shrinkage still to come, ‰",
                1000 * (girderShrinkage.At(values.LastDay) - girderShrinkage.At(ready)),
                "EN 1992-1-1 (3.8)"
            ),
            new(
                "ε_cs,slab",
                "shrinkage still to come, ‰",
                1000 * (slabShrinkage.At(values.LastDay - cast) - slabShrinkage.At(ready - cast)),
                "EN 1992-1-1 (3.8)"
            ),
        ];
        TimeValues = [.. all.Where(v => !section.IsSteel || !v.Symbol.EndsWith("girder", StringComparison.Ordinal))];
    }

    /// <summary>The finished bridge with age-adjusted moduli.</summary>
    public StageState State { get; }

    public ImmutableArray<TimeValue> TimeValues { get; }

    /// <summary>Shrinkage still to come, shortening negative.</summary>
    /// <param name="span">Span from 0.</param>
    /// <param name="steel">Whether the girder is of steel, which does not shrink.</param>
    public LayerStrain Shrink(int span, bool steel)
    {
        var cast = Staging.CastOn(steps, span) ?? ready;
        var girder = steel ? 0 : girderShrinkage.At(values.LastDay) - girderShrinkage.At(ready);
        var slab = slabShrinkage.At(values.LastDay - cast) - slabShrinkage.At(ready - cast);
        return new(_ => -girder, _ => -slab, []);
    }

    /// <summary>Free creep of the piece of a girder that begins on a row, from the strains of all stages.</summary>
    /// <param name="girder">Girder from 0.</param>
    /// <param name="row">Row of the mesh.</param>
    /// <param name="span">Span from 0.</param>
    /// <param name="steel">Whether the girder is of steel, which does not creep.</param>
    /// <param name="cases">The cases of stages.</param>
    /// <param name="models">Their models.</param>
    public LayerStrain Creep(int girder, int row, int span, bool steel, IEnumerable<ActionResult> cases, IReadOnlyList<BridgeModel> models)
    {
        double onGirder = 0,
            girderCurvature = 0,
            onSlab = 0,
            slabCurvature = 0;
        var cast = Staging.CastOn(steps, span) ?? ready;
        var from = PlaceOf(girder, row, span);
        foreach (var c in cases)
        {
            if (c.Stage is not { } stage || models[c.Model].Sections[girder][row] is not { } section)
                continue;
            var day = steps[stage].Stage.Day;
            var forces = Mean(c.Total, from);
            // Strain at the soffit, and curvature, of the elastic section.
            var (axial, curvature) = (
                forces.N / (section.Modulus * section.Composite.Area),
                forces.M / (section.Modulus * section.Composite.SecondMoment)
            );
            var soffit = axial + curvature * section.Composite.Centroid;
            var creep = steel ? 0 : girderCreep.At(values.LastDay, day) - girderCreep.At(ready, day);
            (onGirder, girderCurvature) = (onGirder + creep * soffit, girderCurvature + creep * curvature);
            if (!section.HasSlab)
                continue;
            creep = slabCreep.At(values.LastDay - cast, day - cast) - slabCreep.At(ready - cast, day - cast);
            (onSlab, slabCurvature) = (onSlab + creep * soffit, slabCurvature + creep * curvature);
        }
        return new(z => onGirder - girderCurvature * z, z => onSlab - slabCurvature * z, []) { IsAlong = true };
    }

    private int PlaceOf(int girder, int row, int span) =>
        points.IndexOf(points.First(p => p.Girder == girder && p.Span == span && p.Line == row));

    /// <summary>Mean over the piece that begins at a point: moments run as a parabola whose slopes at both ends are the shears.</summary>
    private SectionForces Mean(GirderEffects effects, int point)
    {
        var (a, b) = (effects.Forces[point], effects.Forces[point + 1]);
        var length = points[point + 1].Distance - points[point].Distance;
        return (0.5 * (a + b)) with { M = (a.M + b.M) / 2 + (a.V - b.V) * length / 12 };
    }
}
