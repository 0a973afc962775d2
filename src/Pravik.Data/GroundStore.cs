using System.Collections.Concurrent;
using System.IO.Compression;
using System.Security.Cryptography;
using Pravik.Core.Roads;

namespace Pravik.Data;

/// <summary>
/// Grounds, each a compressed file named by the hash of its content: too large for a row, never changed once kept. The few last used stay
/// in memory.
/// </summary>
public sealed class GroundStore(string folder)
{
    private const int MostInMemory = 8;
    private readonly ConcurrentDictionary<string, Ground> known = new();

    /// <summary>Keeps a ground and gives its hash.</summary>
    public string Keep(Ground ground)
    {
        using var content = new MemoryStream();
        using (var writer = new BinaryWriter(content, System.Text.Encoding.UTF8, true))
        {
            writer.Write(ground.PointCount);
            writer.Write(ground.TriangleCount);
            foreach (var value in ground.Coordinates)
                writer.Write(value);
            foreach (var point in ground.Triangles)
                writer.Write(point);
        }
        var hash = Convert.ToHexStringLower(SHA256.HashData(content.GetBuffer().AsSpan(0, (int)content.Length)))[..32];
        if (!File.Exists(PathOf(hash)))
        {
            Directory.CreateDirectory(folder);
            var draft = PathOf(hash) + "." + Guid.NewGuid().ToString("N");
            using (var file = new BrotliStream(File.Create(draft), CompressionLevel.Fastest))
            {
                content.Position = 0;
                content.CopyTo(file);
            }
            File.Move(draft, PathOf(hash), true);
        }
        Remember(hash, ground);
        return hash;
    }

    /// <summary>The ground with that hash, or null where it was never kept here.</summary>
    public Ground? Find(string hash)
    {
        if (known.TryGetValue(hash, out var ground))
            return ground;
        if (hash.Length != 32 || !hash.All(char.IsAsciiHexDigitLower) || !File.Exists(PathOf(hash)))
            return null;
        using var reader = new BinaryReader(new BrotliStream(File.OpenRead(PathOf(hash)), CompressionMode.Decompress));
        var (points, triangles) = (reader.ReadInt32(), reader.ReadInt32());
        var coordinates = new double[3 * points];
        for (var i = 0; i < coordinates.Length; i++)
            coordinates[i] = reader.ReadDouble();
        var corners = new int[3 * triangles];
        for (var i = 0; i < corners.Length; i++)
            corners[i] = reader.ReadInt32();
        return Remember(hash, new(coordinates, corners));
    }

    private Ground Remember(string hash, Ground ground)
    {
        if (known.Count >= MostInMemory)
            known.Clear();
        return known[hash] = ground;
    }

    private string PathOf(string hash) => Path.Combine(folder, hash + ".ground");
}
