namespace Pravik.Core.Frames;

/// <summary>
/// A direction of movement or load in a frame: along and about the axes x, y and z, in the order of the six values of a joint.
/// </summary>
public enum FrameDirection
{
    /// <summary>Along x.</summary>
    Ux,

    /// <summary>Along y.</summary>
    Uy,

    /// <summary>Along z.</summary>
    Uz,

    /// <summary>About x.</summary>
    Rx,

    /// <summary>About y.</summary>
    Ry,

    /// <summary>About z.</summary>
    Rz,
}

/// <summary>What holds of every direction.</summary>
public static class FrameDirections
{
    /// <summary>All six, in order.</summary>
    public static IReadOnlyList<FrameDirection> All { get; } = Enum.GetValues<FrameDirection>();

    /// <summary>Name in files and lists: <c>ux</c>, <c>ry</c>.</summary>
    public static string Name(this FrameDirection direction) => $"{direction}".ToLowerInvariant();

    /// <summary>Whether it turns about an axis, so that it goes with moments.</summary>
    public static bool IsTurn(this FrameDirection direction) => direction >= FrameDirection.Rx;
}
