using System.Collections.Immutable;
using Pravik.Core.Bridges;
using Pravik.Core.Frames;
using Pravik.Core.Models;
using Pravik.Core.Places;
using Pravik.Core.Stages;
using Pravik.Core.Traffic;

namespace Pravik.Core.Effects;

/// <summary>All results of a bridge's model: stage by stage, with time, action by action, and traffic.</summary>
public sealed record ModelResults(
    ImmutableArray<BridgeModel> Models,
    EffectLayout Layout,
    ImmutableArray<StageStep> Steps,
    ImmutableArray<ActionResult> Cases
)
{
    private readonly Dictionary<CaseId, ActionResult> byId = Cases.ToDictionary(c => c.Id);

    /// <summary>What each structure cost.</summary>
    public required ImmutableArray<ModelEffort> Efforts { get; init; }

    /// <summary>What is told about the models and stages.</summary>
    public ImmutableArray<string> Warnings { get; init; } = [];

    /// <summary>Values behind creep and shrinkage, in words.</summary>
    public ImmutableArray<TimeValue> TimeValues { get; init; } = [];

    /// <summary>Stress of strands at every point, step by step.</summary>
    public required StrandStresses Strands { get; init; }

    /// <summary>Stress of tendons at every point, step by step.</summary>
    public required TendonStresses Tendons { get; init; }

    /// <summary>Traffic on the finished bridge; null where it was not asked for.</summary>
    public TrafficResults? Traffic { get; init; }

    /// <summary>Traffic in stages of construction, on effects of girders.</summary>
    public ImmutableArray<TrafficInStage> InStages { get; init; } = [];

    /// <summary>The model of the finished bridge.</summary>
    public BridgeModel Finished => Models[FinishedModel];

    /// <summary>Place of the finished bridge among the models.</summary>
    public required int FinishedModel { get; init; }

    /// <summary>The points of the girders.</summary>
    public ImmutableArray<ModelPoint> Points => Layout.Points;

    /// <summary>The finished bridge with what acts on it, named in words, to be read, checked or changed elsewhere.</summary>
    public FrameModel Exported =>
        Finished.Frame with
        {
            Cases = [.. Cases.Where(c => c.Model == FinishedModel).Select(c => c.Load with { Id = c.Name })],
        };

    /// <summary>The case of an id; null where there is none.</summary>
    public ActionResult? Find(CaseId id) => byId.GetValueOrDefault(id);

    /// <summary>The cases of a stage.</summary>
    public IEnumerable<ActionResult> OfStage(StageIndex stage) => Cases.Where(c => c.Stage == stage);

    /// <summary>Effects of all that is put on up to a stage and in it, and of what came with time until then.</summary>
    public EffectValues UpTo(StageStep step) =>
        EffectValues.Sum(Layout, Cases.Where(c => c.IsThereAfter(step)).Select(c => (1.0, c.Effects)));
}

/// <summary>What drives in a stage, on the bridge as it stands at the end of it.</summary>
public sealed record TrafficInStage(StageIndex Stage, TrafficResults Results);
