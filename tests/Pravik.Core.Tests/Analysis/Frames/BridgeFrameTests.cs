using Pravik.Core.Frames;
using Pravik.Core.Loads;
using Pravik.Core.Numerics;
using Pravik.Core.Places;
using Pravik.Core.Traffic;

namespace Pravik.Core.Tests.Analysis.Frames;

/// <summary>The demo's grillage solved twice, by two solvers that share nothing but it: banded in its plane, and sparse in space.</summary>
public class BridgeFrameTests
{
    [Fact]
    public void The_grillage_as_a_frame_gives_the_same_deflections_moments_and_reactions()
    {
        var geometry = new BridgeGeometry(TestBridges.Demo);
        var grillage = GrillageBuilder.Build(geometry);
        var loads = new PermanentLoads(geometry, grillage.Mesh);
        var solver = new GrillageSolver(grillage, new BandedCholesky());
        var results = new FrameAnalysis(BridgeFrame.OfGrillage(geometry)).Solve();
        foreach (var (nodal, result) in new[] { loads.Superimposed, loads.Surfacing }.Zip(results.Cases))
        {
            Assert.InRange(result.Imbalance, 0, 1e-9);
            var displacements = new double[3 * nodal.Length];
            for (var n = 0; n < nodal.Length; n++)
                displacements[3 * n] = -nodal[n];
            solver.Solve(displacements, 1);
            var most = Enumerable.Range(0, nodal.Length).Max(n => Math.Abs(displacements[3 * n]));
            for (var n = 0; n < nodal.Length; n++)
                Assert.Equal(displacements[3 * n], result.Displacements[n][2], 1e-7 * most);
            var reactions = solver.Reactions(displacements, nodal);
            for (var s = 0; s < grillage.Supports.Length; s++)
                Assert.Equal(
                    reactions[s],
                    result.Reactions.Single(r => r.Node == grillage.Supports[s].Node).Force[2],
                    1e-6 * reactions.Max(Math.Abs)
                );
            foreach (var point in EffectPoint.All(grillage).Where(p => p.Number == 10))
            {
                var member = grillage.GirderMembers[point.Girder][point.Line];
                var moment = InfluenceSurface.Solve(grillage, solver, [new(point, EffectKind.Moment)])[0].Of(nodal);
                // Just ahead of the joint; the surface takes the mean of both sides, which differ where strips twist the joint.
                Assert.Equal(
                    moment,
                    (result.Beams[member].My[0] + result.Beams[grillage.GirderMembers[point.Girder][point.Line - 1]].My[^1]) / 2,
                    0.01 * Math.Abs(moment) + 500
                );
            }
        }
    }
}
