namespace Pravik.Core.Stages;

/// <summary>Names a case of loads, or a range of effects made of cases, within a run; parsed where text comes in only.</summary>
public readonly record struct CaseId(string Value)
{
    public static readonly CaseId Braking = new("braking");
    public static readonly CaseId Expansion = new("expansion");
    public static readonly CaseId Contraction = new("contraction");
    public static readonly CaseId Heating = new("heating");
    public static readonly CaseId Cooling = new("cooling");
    public static readonly CaseId Permanent = new("permanent");
    public static readonly CaseId Traffic = new("traffic");
    public static readonly CaseId Ultimate = new("ultimate");

    /// <summary>The case put on as the n-th of a stage, both counted from 1.</summary>
    public static CaseId OfStage(int stage, int number) => new($"stage{stage}.{number}");

    /// <summary>All that is put on up to a stage, counted from 1.</summary>
    public static CaseId UpTo(int stage) => new($"upTo{stage}");

    /// <summary>Creep and shrinkage in an interval of time, counted from 1.</summary>
    public static CaseId Creep(int interval) => new($"creep{interval}");

    public static CaseId Shrinkage(int interval) => new($"shrinkage{interval}");

    /// <summary>Settlement of a support, counted from 1.</summary>
    public static CaseId Settlement(int axis) => new($"settlement{axis}");

    /// <summary>The engineer's own case and combination, counted from 1.</summary>
    public static CaseId Own(int number) => new($"own{number}");

    public static CaseId Combination(int number) => new($"combination{number}");

    public override string ToString() => Value;
}
