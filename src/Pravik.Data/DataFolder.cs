using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Pravik.Data;

/// <summary>Why a data folder cannot be used, in one line for whoever starts the program.</summary>
public sealed class DataFolderException(string message) : Exception(message)
{
    /// <summary>Whether another server holds the folder.</summary>
    public bool IsInUse { get; init; }
}

/// <summary>
/// The folder with the database and the grounds, held by one server at a time. Opening looks at what is there and changes nothing: an
/// empty, damaged or newer database is refused, never begun anew.
/// </summary>
public sealed class DataFolder : IDisposable
{
    private const string DatabaseName = "pravik.db";
    private const string LockName = "pravik.lock";
    private const string ProcessName = "pravik.process";
    private const int NotADatabase = 26;
    private const int Corrupt = 11;
    private readonly FileStream held;

    private DataFolder(string path, FileStream held) => (Path, this.held) = (path, held);

    /// <summary>Path of the folder.</summary>
    public string Path { get; }

    /// <summary>Path of the database.</summary>
    public string Database => DatabaseIn(Path);

    /// <summary>Path of the folder of grounds.</summary>
    public string Grounds => GroundsIn(Path);

    /// <summary>Path of the folder of pictures.</summary>
    public string Pictures => PicturesIn(Path);

    /// <summary>Where the database of a folder lies.</summary>
    public static string DatabaseIn(string path) => System.IO.Path.Combine(path, DatabaseName);

    /// <summary>Where the pictures of a folder lie.</summary>
    public static string PicturesIn(string path) => System.IO.Path.Combine(path, "pictures");

    /// <summary>Where the grounds of a folder lie.</summary>
    public static string GroundsIn(string path) => System.IO.Path.Combine(path, "grounds");

    /// <summary>
    /// Takes a folder, which is made where it is not there, and looks through its database. Throws <see cref="DataFolderException"/>
    /// where another server holds it, or where it cannot be written, is cut off, damaged or of a newer version.
    /// </summary>
    public static DataFolder Open(string path)
    {
        FileStream held;
        try
        {
            Directory.CreateDirectory(path);
            held = Hold(path);
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            throw new DataFolderException($"The data folder {path} cannot be used: {problem.Message}");
        }
        try
        {
            Look(DatabaseIn(path));
        }
        catch
        {
            held.Dispose();
            throw;
        }
        return new(path, held);
    }

    /// <summary>Gives the folder back.</summary>
    public void Dispose() => held.Dispose();

    /// <summary>Locks the folder for this process; who holds it stands beside the lock, which nobody else can read.</summary>
    private static FileStream Hold(string path)
    {
        var (file, process) = (System.IO.Path.Combine(path, LockName), System.IO.Path.Combine(path, ProcessName));
        FileStream held;
        try
        {
            held = new FileStream(file, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException) when (File.Exists(file))
        {
            var holder = File.Exists(process) ? $" (process {File.ReadAllText(process)})" : "";
            throw new DataFolderException($"The data folder {path} is in use by another server{holder}. Stop it first.") { IsInUse = true };
        }
        File.WriteAllText(process, $"{Environment.ProcessId}");
        return held;
    }

    /// <summary>Looks through a database where there is one: its header, its pages, that it can be written, and its version.</summary>
    internal static void Look(string database)
    {
        if (!File.Exists(database))
            return;
        if (new FileInfo(database).Length == 0)
            throw new DataFolderException($"The database {database} is empty: it was cut off. Bring back a backup, or take the file away.");
        try
        {
            using var connection = new SqliteConnection($"Data Source={database};Mode=ReadWrite;Pooling=False");
            connection.Open();
            if (Ask(connection, "PRAGMA quick_check(1)") is var found && found != "ok")
                throw new DataFolderException($"The database {database} is damaged ({found}). Nothing was changed; bring back a backup.");
            Ask(connection, "BEGIN IMMEDIATE");
            Ask(connection, "ROLLBACK");
            RefuseNewer(connection, database);
        }
        catch (SqliteException problem)
        {
            throw new DataFolderException(
                problem.SqliteErrorCode is NotADatabase or Corrupt
                    ? $"The database {database} is damaged: {problem.Message} Nothing was changed; bring back a backup."
                    : $"The database {database} cannot be written: {problem.Message}"
            );
        }
    }

    private static void RefuseNewer(SqliteConnection connection, string database)
    {
        if (Ask(connection, "SELECT COUNT(*) FROM sqlite_master WHERE name = '__EFMigrationsHistory'") == "0")
            return;
        using var context = new PravikContext(new DbContextOptionsBuilder<PravikContext>().UseSqlite(connection).Options);
        var known = context.Database.GetMigrations().ToHashSet();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT MigrationId FROM __EFMigrationsHistory";
        using var rows = command.ExecuteReader();
        while (rows.Read())
        {
            if (!known.Contains(rows.GetString(0)))
                throw new DataFolderException($"The database {database} was written by a newer version of the program. Use that one.");
        }
    }

    private static string Ask(SqliteConnection connection, string question)
    {
        using var command = connection.CreateCommand();
        command.CommandText = question;
        return $"{command.ExecuteScalar()}";
    }
}
