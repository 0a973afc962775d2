using Pravik.Core.Bridges;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Effects;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.Tests.Design;

/// <summary>Ultimate bending resistance of a bridge's girders at points that tests name.</summary>
internal sealed class GirderResistance
{
    private readonly GirderMemberSections sections;
    private readonly ModelResults results;
    private readonly BendingResistance resistance;

    public GirderResistance(Bridge bridge)
    {
        results = ModelRun.Run(new(bridge), withTraffic: false);
        (sections, resistance) = (new(new(bridge), results.Strands, results.Tendons), new(bridge.Basis.Values));
    }

    public bool Applies(ModelPoint point) => Section(point) is not null;

    public UltimateState? At(ModelPoint point, Bending side, double axial = 0, double reference = 0) =>
        resistance.At(Section(point)!, side, axial, reference);

    public Func<double, double?> Moments(ModelPoint point, Bending side, double reference) =>
        resistance.Moments(Section(point)!, side, reference);

    /// <summary>Strands have the stress of the nearest point of the model.</summary>
    private MemberSection? Section(ModelPoint point) =>
        sections.At(
            point,
            Enumerable
                .Range(0, results.Points.Length)
                .Where(i => results.Points[i].Girder == point.Girder && results.Points[i].Span == point.Span)
                .MinBy(i => Math.Abs(results.Points[i].Fraction - point.Fraction))
        );
}
