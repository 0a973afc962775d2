using System.IO.Compression;
using Microsoft.Data.Sqlite;

namespace Pravik.Data;

/// <summary>Copies of a data folder in one file: the database, the grounds and the pictures, as a ZIP archive.</summary>
public static class Backup
{
    private const string DatabaseEntry = "pravik.db";

    /// <summary>Folders of files that never change: as they are called in the archive, where they lie, and their files.</summary>
    private static readonly (string Entries, Func<string, string> In, string Files)[] Folders =
    [
        ("grounds/", DataFolder.GroundsIn, "*.ground"),
        ("pictures/", DataFolder.PicturesIn, "*.picture"),
    ];

    /// <summary>
    /// Writes a backup, also while a server runs: the database as it stands at one moment (SQLite's online backup), then grounds and
    /// pictures, which never change. The file is complete or not there. Throws <see cref="DataFolderException"/> where there is no
    /// database.
    /// </summary>
    public static void Write(string folder, string file)
    {
        var database = DataFolder.DatabaseIn(folder);
        if (!File.Exists(database))
            throw new DataFolderException($"There is no database in {folder}.");
        var (copy, draft) = ($"{file}.db.part", $"{file}.part");
        try
        {
            File.Delete(copy);
            using (var source = new SqliteConnection($"Data Source={database};Mode=ReadOnly;Pooling=False"))
            using (var target = new SqliteConnection($"Data Source={copy};Pooling=False"))
            {
                source.Open();
                target.Open();
                source.BackupDatabase(target);
            }
            DataFolder.Look(copy);
            using (var archive = new ZipArchive(File.Create(draft), ZipArchiveMode.Create))
            {
                archive.CreateEntryFromFile(copy, DatabaseEntry, CompressionLevel.Fastest);
                foreach (var (entries, place, files) in Folders)
                {
                    var from = place(folder);
                    foreach (var kept in Directory.Exists(from) ? Directory.EnumerateFiles(from, files) : [])
                        archive.CreateEntryFromFile(kept, entries + Path.GetFileName(kept), CompressionLevel.NoCompression);
                }
            }
            File.Move(draft, file, true);
        }
        finally
        {
            File.Delete(copy);
            File.Delete(draft);
        }
    }

    /// <summary>
    /// Brings a backup back into a folder that no server uses. What is there is set aside in a folder beside it, whose path is the
    /// answer; null where there was nothing. Throws <see cref="DataFolderException"/> where the file is no backup or the folder is in use.
    /// </summary>
    public static string? Restore(string file, string folder)
    {
        var draft = $"{folder.TrimEnd('/', '\\')}.restored-{Guid.NewGuid():N}";
        try
        {
            Unpack(file, draft);
            DataFolder.Look(DataFolder.DatabaseIn(draft));
            string? aside = null;
            if (Directory.Exists(folder))
            {
                // Held for a moment to see that nobody uses it; a damaged database is no reason not to bring one back.
                try
                {
                    DataFolder.Open(folder).Dispose();
                }
                catch (DataFolderException problem) when (!problem.IsInUse) { }
                aside = $"{folder.TrimEnd('/', '\\')}.before-{DateTime.UtcNow:yyyyMMdd-HHmmss}";
                Directory.Move(folder, aside);
            }
            Directory.Move(draft, folder);
            return aside;
        }
        finally
        {
            if (Directory.Exists(draft))
                Directory.Delete(draft, true);
        }
    }

    private static void Unpack(string file, string folder)
    {
        try
        {
            using var archive = ZipFile.OpenRead(file);
            if (archive.GetEntry(DatabaseEntry) is not { } database)
                throw new DataFolderException($"{file} is no backup: it has no database in it.");
            Directory.CreateDirectory(folder);
            database.ExtractToFile(Path.Combine(folder, DatabaseEntry));
            foreach (var (entries, place, _) in Folders)
            {
                Directory.CreateDirectory(place(folder));
                // Only the name of an entry counts, so that none can lead out of the folder.
                foreach (var entry in archive.Entries.Where(e => e.FullName.StartsWith(entries, StringComparison.Ordinal)))
                    entry.ExtractToFile(Path.Combine(place(folder), Path.GetFileName(entry.Name)));
            }
        }
        catch (Exception problem) when (problem is InvalidDataException or FileNotFoundException)
        {
            throw new DataFolderException($"{file} is no backup: {problem.Message}");
        }
    }
}
