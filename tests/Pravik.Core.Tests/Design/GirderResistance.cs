using Pravik.Core.Bridges;
using Pravik.Core.Checks.En1992;
using Pravik.Core.Members;
using Pravik.Core.Models;

namespace Pravik.Core.Tests.Design;

/// <summary>Ultimate bending resistance of a bridge's girders at points that tests name.</summary>
internal sealed class GirderResistance(Bridge bridge)
{
    private readonly GirderMemberSections sections = new(new(bridge));
    private readonly BendingResistance resistance = new(bridge.Basis.Values);

    public bool Applies(ModelPoint point) => sections.At(point) is not null;

    public UltimateState? At(ModelPoint point, Bending side, double axial = 0, double reference = 0) =>
        resistance.At(sections.At(point)!, side, axial, reference);

    public Func<double, double?> Moments(ModelPoint point, Bending side, double reference) =>
        resistance.Moments(sections.At(point)!, side, reference);
}
