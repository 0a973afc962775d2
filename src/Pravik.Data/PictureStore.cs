using System.Security.Cryptography;
using Pravik.Core.Trusses;

namespace Pravik.Data;

/// <summary>Pictures, each a file named by the hash of its content, never changed once kept.</summary>
public sealed class PictureStore(string folder)
{
    /// <summary>Keeps a picture and gives its hash.</summary>
    public string Keep(byte[] content)
    {
        var hash = Convert.ToHexStringLower(SHA256.HashData(content))[..32];
        if (Has(hash))
            return hash;
        Directory.CreateDirectory(folder);
        var draft = PathOf(hash) + "." + Guid.NewGuid().ToString("N");
        File.WriteAllBytes(draft, content);
        File.Move(draft, PathOf(hash), true);
        return hash;
    }

    /// <summary>Whether a picture is kept here.</summary>
    public bool Has(string hash) => TrussPicture.IsHash(hash) && File.Exists(PathOf(hash));

    /// <summary>A picture, or null where it was never kept here.</summary>
    public byte[]? Find(string hash) => Has(hash) ? File.ReadAllBytes(PathOf(hash)) : null;

    private string PathOf(string hash) => Path.Combine(folder, hash + ".picture");
}
