using Pravik.Exchange;
using Pravik.Exchange.LandXml;

namespace Pravik.Web;

/// <summary>
/// Road and ground files that were uploaded and wait to be accepted. Only the last few stay; a file that is gone is uploaded again.
/// </summary>
public sealed class RoadUploads
{
    /// <summary>The longest file that is taken (bytes).</summary>
    public const long LongestFile = 300_000_000;

    /// <summary>The longest time that reading a file may take.</summary>
    public static readonly TimeSpan LongestReading = TimeSpan.FromSeconds(60);

    private const int Most = 6;
    private readonly Dictionary<string, (string Name, RoadFile File)> waiting = [];
    private readonly Queue<string> order = [];
    private readonly Lock gate = new();

    /// <summary>Reads a file by its content: LandXML where it begins with “&lt;”, else points as CSV.</summary>
    public (string Token, RoadFile File) Take(string name, Stream stream, CancellationToken cancel)
    {
        var file = RoadFiles.Read(name, stream, cancel);
        var token = Guid.NewGuid().ToString("N");
        lock (gate)
        {
            waiting[token] = (name, file);
            order.Enqueue(token);
            if (order.Count > Most)
                waiting.Remove(order.Dequeue());
        }
        return (token, file);
    }

    /// <summary>The file of a token, while it is kept.</summary>
    public (string Name, RoadFile File)? Find(string? token)
    {
        lock (gate)
            return token is not null && waiting.TryGetValue(token, out var found) ? found : null;
    }
}
