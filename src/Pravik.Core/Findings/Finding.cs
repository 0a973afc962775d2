namespace Pravik.Core.Findings;

/// <summary>How much a finding matters.</summary>
public enum Severity
{
    /// <summary>Worth knowing; nothing is wrong.</summary>
    Note,

    /// <summary>The work goes on, but an engineer should look.</summary>
    Warning,

    /// <summary>It is kept and drawn, but wrong: nothing is analysed or checked until it is mended.</summary>
    Fault,

    /// <summary>The value cannot be taken.</summary>
    Error,
}

/// <summary>A change that mends a finding: an RFC 6902 operation with its value as JSON text.</summary>
public sealed record RepairOperation(string Op, string Path, string Value);

/// <summary>What can be done about a finding, in words and as a patch.</summary>
public sealed record Repair(string Label, IReadOnlyList<RepairOperation> Patch);

/// <summary>
/// Something that geometry, model, loads, checks or a reader noticed: how grave, what, why it matters, and where (a JSON Pointer
/// into the bridge, and a station where there is one).
/// </summary>
public sealed record Finding(Severity Severity, string Message, string Path)
{
    /// <summary>Why it matters, or how it may be mended.</summary>
    public string? Why { get; init; }

    /// <summary>Station to which it leads (m).</summary>
    public double? Station { get; init; }

    /// <summary>The edit that mends it; null where none is known.</summary>
    public Repair? Repair { get; init; }

    /// <summary>What stands in the way.</summary>
    public static Finding Error(string path, string message, string? why = null) => new(Severity.Error, message, path) { Why = why };

    /// <summary>What is kept and drawn, and stands in the way of analysis and checks until it is mended.</summary>
    public static Finding Fault(string path, string message, string? why = null) => new(Severity.Fault, message, path) { Why = why };

    /// <summary>What is told and does not stand in the way.</summary>
    public static Finding Warning(string path, string message, string? why = null) => new(Severity.Warning, message, path) { Why = why };
}
