using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Checks;
using Pravik.Core.Effects;
using Pravik.Core.Loads;
using Pravik.Core.Models;
using Pravik.Core.Numerics;
using Pravik.Core.Places;
using Pravik.Core.Traffic;

namespace Pravik.Core.Runs;

/// <summary>How far a run is (0 to 1) and what it is doing.</summary>
public readonly record struct RunProgress(double Fraction, string Doing);

/// <summary>From a valid bridge to checked girders: model, permanent loads, influence surfaces, traffic, combinations, checks.</summary>
public static class BridgeRun
{
    /// <summary>Effects solved together. Keeps memory bounded and lets a run stop quickly.</summary>
    private const int BlockSize = 48;

    /// <summary>Why a bridge is not checked in this version, or null where it is.</summary>
    public static string? Refusal(Bridge bridge) => Refusal(new BridgeGeometry(bridge, placeGirders: false));

    private static string? Refusal(BridgeGeometry geometry) =>
        geometry.SectionsInUse.Any(s => s.IsSteel) ? "Not checked: girders of steel"
        : geometry.Bridge.Girders.CastInPlace ? "Not checked: girders cast in place"
        : geometry.RunsOn ? "Not checked: girders that run on over piers in one piece"
        : !geometry.IsComplete ? "Not checked: girders that are not in every span"
        : null;

    /// <summary>
    /// Throws <see cref="NotSupportedException"/> where <see cref="Refusal(Bridge)"/> has a reason, <see
    /// cref="OperationCanceledException"/> when cancelled and <see cref="UnstableStructureException"/> for a grillage that can move.
    /// </summary>
    public static BridgeResults Run(Bridge bridge, IProgress<RunProgress>? progress = null, CancellationToken cancel = default)
    {
        progress?.Report(new(0, "Making the grillage"));
        var geometry = new BridgeGeometry(bridge);
        if (Refusal(geometry) is { } reason)
            throw new NotSupportedException(reason);
        var values = bridge.Basis.Values;
        var grillage = GrillageBuilder.Build(geometry);
        cancel.ThrowIfCancellationRequested();
        var solver = new GrillageSolver(grillage, new BandedCholesky());
        progress?.Report(new(0.1, "Permanent loads"));
        var permanent = new PermanentLoads(geometry, grillage.Mesh);
        var balance = Balance(solver, permanent);
        var placement = new TrafficPlacement(grillage, geometry, values);
        var points = EffectPoint.All(grillage);
        var check = new GirderCheck(geometry, values);
        var results = new PointResult[points.Length];
        var done = 0;
        var blocks = points.Select((point, i) => (point, i)).Chunk(BlockSize / 3).ToList();
        Parallel.ForEach(
            blocks,
            new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount },
            block =>
            {
                var surfaces = InfluenceSurface.Solve(grillage, solver, [.. block.SelectMany(b => Wanted(b.point))]);
                for (var i = 0; i < block.Length; i++)
                {
                    cancel.ThrowIfCancellationRequested();
                    var moment = Effects(geometry, permanent, placement, surfaces[3 * i], surfaces[3 * i]);
                    var shear = Effects(geometry, permanent, placement, surfaces[3 * i + 1], surfaces[3 * i + 2]);
                    results[block[i].i] = new(moment, shear, check.Check(moment, Bending.Sagging), check.Check(moment, Bending.Hogging));
                }
                var finished = Interlocked.Add(ref done, block.Length);
                progress?.Report(new(0.15 + 0.85 * finished / points.Length, $"Traffic on {finished} of {points.Length} points"));
            }
        );
        return new(new(grillage.Nodes.Length, grillage.Members.Length, solver.Unknowns, solver.PivotRatio, balance), [.. results]);
    }

    private static WantedEffect[] Wanted(EffectPoint point) =>
        [new(point, EffectKind.Moment), new(point, EffectKind.Shear, SectionSide.Behind), new(point, EffectKind.Shear, SectionSide.Ahead)];

    /// <summary>
    /// Effects from the surface that gives the greatest value and the one that gives the least; permanent loads take their mean.
    /// </summary>
    private static PointEffects Effects(
        BridgeGeometry geometry,
        PermanentLoads permanent,
        TrafficPlacement placement,
        InfluenceSurface upper,
        InfluenceSurface lower
    )
    {
        var (point, kind) = (upper.Point, upper.Kind);
        var girder = geometry.Girders[point.Girder];
        var span = girder.SpanLength(point.Span);
        double Mean(double[] load) => (upper.Of(load) + lower.Of(load)) / 2;
        var effects = new PermanentEffects(
            permanent.Girder(girder, point.Span, point.Fraction, kind),
            PermanentLoads.OnSimpleSpan(permanent.WetSlab(girder, point.Span), span, point.Fraction, kind)
                + permanent.Diaphragms(girder, point.Span, point.Fraction, kind),
            Mean(permanent.Superimposed),
            Mean(permanent.Surfacing)
        );
        var (greatest, least) = (placement.Worst(upper), ReferenceEquals(upper, lower) ? null : placement.Worst(lower));
        return new(
            point,
            kind,
            effects,
            least is null ? greatest : greatest with { Min = least.Min, FrequentMin = least.FrequentMin, FootwayMin = least.FootwayMin }
        );
    }

    private static ImmutableArray<CaseBalance> Balance(GrillageSolver solver, PermanentLoads permanent)
    {
        return
        [
            Of("Edge beams, footways, parapets", permanent.Superimposed, permanent.SuperimposedTotal),
            Of("Surfacing", permanent.Surfacing, permanent.SurfacingTotal),
        ];

        CaseBalance Of(string name, double[] nodal, double total)
        {
            var displacements = new double[nodal.Length * 3];
            for (var n = 0; n < nodal.Length; n++)
                displacements[3 * n] = -nodal[n];
            solver.Solve(displacements, 1);
            return new(name, total, solver.Reactions(displacements, nodal).Sum());
        }
    }
}
