using System.Collections.Immutable;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Codes;
using Pravik.Core.Materials;
using Pravik.Core.Models;

namespace Pravik.Core.Tests.Design;

/// <summary>Shear between girder and slab by EN 1992-1-1 6.2.5, by hand.</summary>
public sealed class InterfaceTests
{
    /// <summary>A girder of 300 × 600 with a slab of 1500 × 200 on it, V = 400 kN: d = 750 mm, z = 675 mm, v_Edi = 400/(0.675·0.3) = 1.975 MPa.</summary>
    private static HandMember Girder(double? spacing = 0.1, string surface = "rough", double shear = 400e3)
    {
        var slab = HandMember.Box("slab", 1.5, 0.6, 0.8);
        var bare = HandMember.Rectangle(spacing: spacing);
        return new HandMember(
            bare with
            {
                Concrete = [slab, .. bare.Concrete],
                Joint = new(0.3, InterfaceSurface.Of(surface), slab.Concrete),
            }
        )
            .With(GirderEffect.V, shear)
            .With(GirderEffect.M, 1e3);
    }

    private static double Use(HandMember member) => Assert.Single(member.Of(new InterfaceShear())).Utilisation;

    /// <summary>
    /// ρ = 157.1 mm²/(100·300) = 0.005236; v_Rdi = 0.7·0.005236·434.8 = 1.594 MPa rough (1.2396), 0.9 indented 2.049 MPa (0.9641). With the
    /// cohesion of EN 1992-1-1 it is 0.4·0.7·2.896/1.5 = 0.5407 MPa more (0.9255).
    /// </summary>
    [Fact]
    public void A_face_by_hand()
    {
        var outcome = Assert.Single(Girder().Of(new InterfaceShear()));
        Assert.Equal(1.9753e6, outcome.Effect, 100.0);
        Assert.Equal(1.5936e6, outcome.Resistance, 100.0);
        Assert.Equal(1.2396, outcome.Utilisation, 1e-4);
        Assert.Equal(0.9641, Use(Girder(surface: "indented")), 1e-4);
        var own = ImmutableSortedDictionary<string, double>.Empty.Add("interfaceCohesion", 1);
        Assert.Equal(0.9255, Use(Girder() with { Values = NationalValues.With(NationalValues.Recommended, own) }), 2e-4);
    }

    /// <summary>Struts end it: 0.5·0.528·17 = 4.488 MPa however many links; nothing acts, nothing is asked; no links hold nothing.</summary>
    [Fact]
    public void Its_limits()
    {
        Assert.Equal(4.488e6, Assert.Single(Girder(0.01).Of(new InterfaceShear())).Resistance, 100.0);
        Assert.Equal(0, Use(Girder(shear: 0)));
        Assert.Equal(99, Use(Girder(null)));
        var last = double.PositiveInfinity;
        foreach (var spacing in new[] { 0.4, 0.2, 0.1, 0.05, 0.025 })
        {
            Assert.True(Use(Girder(spacing)) <= last);
            last = Use(Girder(spacing));
        }
    }
}
