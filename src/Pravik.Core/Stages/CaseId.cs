using Pravik.Core.Bridges;

namespace Pravik.Core.Stages;

/// <summary>Names a case of loads, or a range of effects made of cases, within a run; parsed where text comes in only.</summary>
public readonly record struct CaseId(string Value)
{
    /// <summary>Braking of a deck in one unit.</summary>
    public static readonly CaseId Braking = new("braking");

    /// <summary>Uniform warming.</summary>
    public static readonly CaseId Expansion = new("expansion");

    /// <summary>Uniform cooling.</summary>
    public static readonly CaseId Contraction = new("contraction");

    /// <summary>Temperature difference, top warmer.</summary>
    public static readonly CaseId Heating = new("heating");

    /// <summary>Temperature difference, top cooler.</summary>
    public static readonly CaseId Cooling = new("cooling");

    /// <summary>All permanent actions together.</summary>
    public static readonly CaseId Permanent = new("permanent");

    /// <summary>The envelope of traffic.</summary>
    public static readonly CaseId Traffic = new("traffic");

    /// <summary>The envelope of a traffic model by itself.</summary>
    public static CaseId OfTraffic(string model) => new($"traffic {model}");

    /// <summary>The envelope of all ultimate combinations.</summary>
    public static readonly CaseId Ultimate = new("ultimate");

    /// <summary>The case put on as the n-th of a stage, counted from 1.</summary>
    public static CaseId OfStage(StageIndex stage, int number) => new($"stage{stage.Number}.{number}");

    /// <summary>All that is put on up to a stage.</summary>
    public static CaseId UpTo(StageIndex stage) => new($"upTo{stage.Number}");

    /// <summary>Creep and shrinkage in an interval of time, counted from 1.</summary>
    public static CaseId Creep(int interval) => new($"creep{interval}");

    /// <summary>Shrinkage of an interval (from 1).</summary>
    public static CaseId Shrinkage(int interval) => new($"shrinkage{interval}");

    /// <summary>Losses of prestress in an interval (from 1).</summary>
    public static CaseId Losses(int interval) => new($"losses{interval}");

    /// <summary>Settlement of a support, counted from 1.</summary>
    public static CaseId Settlement(int number) => new($"settlement{number}");

    /// <summary>The engineer's own case and combination, counted from 1.</summary>
    public static CaseId Own(int number) => new($"own{number}");

    /// <summary>A combination of the engineer's own (from 1).</summary>
    public static CaseId Combination(int number) => new($"combination{number}");

    /// <summary>The name.</summary>
    public override string ToString() => Value;
}
