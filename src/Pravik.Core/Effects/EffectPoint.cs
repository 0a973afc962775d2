using System.Collections.Immutable;
using Pravik.Core.Models;

namespace Pravik.Core.Effects;

/// <summary>Bending moment (sagging positive) or shear (dM/dx).</summary>
public enum EffectKind
{
    Moment,
    Shear,
}

/// <summary>
/// A place where effects are wanted: girder (from 0), span (from 0), and number from 0 to 20 along the span. Points 0 and 20 look
/// into their own span, so that shear on the two sides of a pier is told apart.
/// </summary>
public sealed record EffectPoint(int Girder, int Span, int Number, int Line, double Station, double Distance)
{
    public const int PerSpan = 20;

    public double Fraction => (double)Number / PerSpan;

    /// <summary>
    /// All points of a grillage, girder by girder along the bridge. Distance is measured along the girder from its first axis.
    /// </summary>
    public static ImmutableArray<EffectPoint> All(Grillage grillage)
    {
        var points = ImmutableArray.CreateBuilder<EffectPoint>();
        for (var girder = 0; girder < grillage.GirderMembers.Length; girder++)
        {
            double before = 0;
            for (var span = 0; span < grillage.Spans.Length; span++)
            {
                var (first, last) = grillage.Spans[span];
                var (start, end) = (grillage.Nodes[grillage.NodeAt(girder + 1, first)], grillage.Nodes[grillage.NodeAt(girder + 1, last)]);
                var length = Geometry.Point.Distance(start.At, end.At);
                for (var k = 0; k <= PerSpan; k++)
                {
                    var line = first + k * (last - first) / PerSpan;
                    points.Add(
                        new(girder, span, k, line, grillage.Nodes[grillage.NodeAt(girder + 1, line)].Station, before + length * k / PerSpan)
                    );
                }
                before += length;
            }
        }
        return points.ToImmutable();
    }
}
