namespace Pravik.Core.Stages;

/// <summary>Keeps what was worked out latest, by a key of all that it depends on. Safe for use by several runs at once.</summary>
/// <param name="size">How large one is.</param>
/// <param name="most">How much is kept in all; the latest one always is.</param>
public sealed class LatestStore<T>(Func<T, double> size, double most)
    where T : class
{
    private readonly LinkedList<(string Key, T Value)> kept = [];
    private readonly Lock guard = new();

    /// <summary>What is known; null where it is not.</summary>
    public T? Find(string key)
    {
        lock (guard)
        {
            for (var node = kept.First; node is not null; node = node.Next)
            {
                if (node.Value.Key != key)
                    continue;
                kept.Remove(node);
                kept.AddFirst(node);
                return node.Value.Value;
            }
        }
        return null;
    }

    /// <summary>Keeps what was found.</summary>
    public void Keep(string key, T value)
    {
        lock (guard)
        {
            kept.AddFirst((key, value));
            while (kept.Count > 1 && kept.Sum(k => size(k.Value)) > most)
                kept.RemoveLast();
        }
    }
}
