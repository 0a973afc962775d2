using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Threading.Channels;

namespace Pravik.Web.Runs;

/// <summary>Events of projects: “run” when work moves on, “edit N” when the bridge changes. Slow listeners miss the oldest.</summary>
public sealed class RunEvents
{
    /// <summary>Told with a project when the last who listened to it goes away.</summary>
    public event Action<string>? Left;

    /// <summary>Whether anyone listens to a project.</summary>
    public bool IsWatched(string project) => listeners.Values.Any(l => l.Project == project);

    private readonly ConcurrentDictionary<Guid, (string Project, Channel<string> Events)> listeners = new();

    /// <summary>Events of a project until the caller goes away.</summary>
    public async IAsyncEnumerable<string> ListenAsync(string project, [EnumeratorCancellation] CancellationToken cancel)
    {
        var key = Guid.NewGuid();
        var events = Channel.CreateBounded<string>(new BoundedChannelOptions(16) { FullMode = BoundedChannelFullMode.DropOldest });
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

    /// <summary>Tells that something about its runs changed.</summary>
    public void TellRun(string project) => Send(project, "run");

    private void Send(string project, string name)
    {
        foreach (var listener in listeners.Values.Where(l => l.Project == project))
            listener.Events.Writer.TryWrite(name);
    }
}
