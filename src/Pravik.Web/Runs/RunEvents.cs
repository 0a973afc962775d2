using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Threading.Channels;

namespace Pravik.Web.Runs;

/// <summary>
/// Events of projects: “run” when the run of the bridge moves on, “look” when work does that a screen asked for to look at, “edit N” when
/// the bridge changes. Slow listeners miss the oldest.
/// </summary>
public sealed class RunEvents
{
    /// <summary>Told with a project when the last who listened to it goes away.</summary>
    public event Action<string>? Left;

    /// <summary>Whether anyone listens to a project.</summary>
    public bool IsWatched(string project) => listeners.Values.Any(l => l.Project == project);

    private readonly ConcurrentDictionary<Guid, (string Project, Channel<string> Events)> listeners = new();

    /// <summary>
    /// Events of a project until the caller goes away. The first is “run” at once: what happened before anybody listened is asked for then.
    /// </summary>
    public async IAsyncEnumerable<string> ListenAsync(string project, [EnumeratorCancellation] CancellationToken cancel)
    {
        var key = Guid.NewGuid();
        var events = Channel.CreateBounded<string>(new BoundedChannelOptions(16) { FullMode = BoundedChannelFullMode.DropOldest });
        events.Writer.TryWrite("run");
        listeners[key] = (project, events);
        try
        {
            await foreach (var item in events.Reader.ReadAllAsync(cancel))
                yield return item;
        }
        finally
        {
            listeners.TryRemove(key, out _);
            if (!IsWatched(project))
                Left?.Invoke(project);
        }
    }

    /// <summary>Tells that a bridge was edited, and which edit it stands at now.</summary>
    public void TellEdit(string project, int revision) => Send(project, $"edit {revision}");

    /// <summary>Tells that the run of the bridge moved on.</summary>
    public void TellRun(string project) => Send(project, "run");

    /// <summary>Tells that a comparison or the run of an older edit moved on.</summary>
    public void TellLook(string project) => Send(project, "look");

    private void Send(string project, string name)
    {
        foreach (var listener in listeners.Values.Where(l => l.Project == project))
            listener.Events.Writer.TryWrite(name);
    }
}
