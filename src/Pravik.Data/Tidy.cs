using Microsoft.Data.Sqlite;

namespace Pravik.Data;

/// <summary>
/// Makes a data folder smaller on demand: grounds that no edit of a bridge names go, and the database gives back what is
/// free.
/// </summary>
public static class Tidy
{
    /// <summary>
    /// How many grounds went, and how many bytes the folder is smaller. Refused with a <see cref="DataFolderException"/> while
    /// a server uses
    /// the folder.
    /// </summary>
    public static (int Grounds, long Bytes) Run(string folder)
    {
        using var held = DataFolder.Open(folder);
        var before = Size(folder);
        var named = new HashSet<string>(StringComparer.Ordinal);
        using (var connection = new SqliteConnection($"Data Source={held.Database};Pooling=False"))
        {
            connection.Open();
            using (var read = connection.CreateCommand())
            {
                read.CommandText = "SELECT DISTINCT json_extract(Document, '$.ground.hash') FROM Revisions WHERE json_valid(Document)";
                using var rows = read.ExecuteReader();
                while (rows.Read())
                {
                    if (!rows.IsDBNull(0))
                        named.Add(rows.GetString(0));
                }
            }
            using var compact = connection.CreateCommand();
            compact.CommandText = "VACUUM; PRAGMA wal_checkpoint(TRUNCATE);";
            compact.ExecuteNonQuery();
        }
        var unused = Directory.Exists(held.Grounds)
            ? Directory.EnumerateFiles(held.Grounds).Where(f => !named.Contains(Path.GetFileName(f).Split('.')[0])).ToList()
            : [];
        foreach (var file in unused)
            File.Delete(file);
        return (unused.Count, before - Size(folder));
    }

    private static long Size(string folder) =>
        Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories).Sum(f => new FileInfo(f).Length);
}
