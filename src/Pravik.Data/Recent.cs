namespace Pravik.Data;

/// <summary>What follows from texts such as documents, worked out when it is first asked for; that of the latest few is kept.</summary>
/// <param name="most">How many are kept.</param>
public sealed class Recent<T>(int most)
{
    private readonly Lock guard = new();
    private readonly Dictionary<string, Lazy<T>> known = [];
    private readonly Queue<string> order = new();

    /// <summary>What follows from a text; worked out once, however many ask for it.</summary>
    public T Of(string text, Func<T> work)
    {
        Lazy<T>? found;
        lock (guard)
        {
            if (!known.TryGetValue(text, out found))
            {
                known[text] = found = new(work);
                order.Enqueue(text);
                if (order.Count > most)
                    known.Remove(order.Dequeue());
            }
        }
        return found.Value;
    }
}
