using System.IO.Compression;
using Microsoft.Data.Sqlite;

namespace Pravik.Data;

/// <summary>Copies of a data folder in one file: the database and the grounds, as a ZIP archive.</summary>
public static class Backup
{
    private const string DatabaseEntry = "pravik.db";
    private const string GroundEntries = "grounds/";

    /// <summary>
    /// Writes a backup, also while a server runs: the database as it stands at one moment (SQLite's online backup), then the grounds, which
    /// never change. The file is complete or not there. Throws <see cref="DataFolderException"/> where there is no database.
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
                var grounds = DataFolder.GroundsIn(folder);
                foreach (var ground in Directory.Exists(grounds) ? Directory.EnumerateFiles(grounds, "*.ground") : [])
                    archive.CreateEntryFromFile(ground, GroundEntries + Path.GetFileName(ground), CompressionLevel.NoCompression);
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
            var entries = archive.Entries.Where(e =>
                e.FullName == DatabaseEntry || e.FullName.StartsWith(GroundEntries, StringComparison.Ordinal)
            );
            if (archive.GetEntry(DatabaseEntry) is null)
                throw new DataFolderException($"{file} is no backup: it has no database in it.");
            Directory.CreateDirectory(DataFolder.GroundsIn(folder));
            foreach (var entry in entries)
            {
                // Only the name of an entry counts, so that none can lead out of the folder.
                var into = entry.FullName == DatabaseEntry ? folder : DataFolder.GroundsIn(folder);
                entry.ExtractToFile(Path.Combine(into, Path.GetFileName(entry.Name)));
            }
        }
        catch (Exception problem) when (problem is InvalidDataException or FileNotFoundException)
        {
            throw new DataFolderException($"{file} is no backup: {problem.Message}");
        }
    }
}
