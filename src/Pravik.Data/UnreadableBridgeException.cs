namespace Pravik.Data;

/// <summary>A stored revision that is no bridge any more: the store was changed by another hand, or is damaged.</summary>
public sealed class UnreadableBridgeException(string project, int revision)
    : Exception($"Edit {revision} of the bridge “{project}” cannot be read: its document is damaged. Other bridges are not affected.")
{
    /// <summary>Id of the project.</summary>
    public string Project => project;
}
