namespace Pravik.Data;

/// <summary>
/// Turns of those who edit one bridge: who is next begins on the edit before, so that nothing is worked out in vain. Edits of different
/// bridges do not wait for each other. What is kept ends with the last who waits.
/// </summary>
internal sealed class EditTurns
{
    private readonly Dictionary<string, Turn> turns = [];

    private sealed class Turn
    {
        public SemaphoreSlim Free { get; } = new(1, 1);

        /// <summary>Those who have it or wait for it.</summary>
        public int Wanted { get; set; }
    }

    /// <summary>Does something in a turn of its own.</summary>
    public async Task<T> TakeAsync<T>(string bridge, Func<Task<T>> work)
    {
        Turn? turn;
        lock (turns)
        {
            if (!turns.TryGetValue(bridge, out turn))
                turns[bridge] = turn = new();
            turn.Wanted++;
        }
        await turn.Free.WaitAsync();
        try
        {
            return await work();
        }
        finally
        {
            turn.Free.Release();
            lock (turns)
            {
                if (--turn.Wanted == 0)
                    turns.Remove(bridge);
            }
        }
    }
}
