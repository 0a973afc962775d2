using Pravik.Core.Bridges;

namespace Pravik.Core.Places;

/// <summary>How large the model of a bridge will be, from its choices alone.</summary>
public static class ModelSize
{
    /// <summary>About how many joints the mesh of the deck will have: rows along the spans times joints across.</summary>
    public static double Joints(Bridge bridge)
    {
        var (model, spans) = (bridge.Model, bridge.Axes.Spans.Length);
        var girders = Enumerable.Range(0, spans).Max(s => GirderLayout.Of(bridge.Girders, s, spans).Count);
        var rows = Enumerable.Range(0, spans).Sum(s => model.DivisionsOf(s) + 1.0);
        return rows * (model.Kind == ModelKind.Shells ? girders * model.Between + 2 : girders + 2);
    }
}
