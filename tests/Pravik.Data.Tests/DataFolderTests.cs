using Microsoft.Data.Sqlite;
using Pravik.Core.Bridges;
using Pravik.Exchange;

namespace Pravik.Data.Tests;

/// <summary>A data folder is held by one server, looked through before it is used, and brought back from a backup.</summary>
public sealed class DataFolderTests : IDisposable
{
    private readonly string root = Directory.CreateTempSubdirectory("pravik-data-").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(root, true);
    }

    private string In(string name) => Path.Combine(root, name);

    private async Task<string> MadeAsync(string name)
    {
        using var folder = DataFolder.Open(In(name));
        var store = new ProjectStore(new Contexts(folder.Database));
        await store.PrepareAsync();
        await store.CreateAsync(Bridge.New("Kept"), "Begun", "kept");
        new GroundStore(folder.Grounds).Keep(new([0, 0, 1, 10, 0, 1, 10, 10, 1], [0, 1, 2]));
        new PictureStore(folder.Pictures).Keep([1, 2, 3]);
        SqliteConnection.ClearAllPools();
        return folder.Path;
    }

    [Fact]
    public void One_server_holds_a_folder_and_names_itself()
    {
        using (DataFolder.Open(In("one")))
            Assert.Contains($"process {Environment.ProcessId}", Refused(In("one")));
        DataFolder.Open(In("one")).Dispose();
    }

    /// <summary>Nothing of a database that cannot be used is overwritten or begun anew.</summary>
    [Fact]
    public async Task What_cannot_be_used_is_refused_and_left_as_it_is()
    {
        var sound = await File.ReadAllBytesAsync(DataFolder.DatabaseIn(await MadeAsync("sound")));
        (string Name, byte[] Content, string Words)[] all =
        [
            ("empty", [], "is empty"),
            ("cut", sound[..(sound.Length / 2)], "damaged"),
            ("text", "not a database, whatever it says"u8.ToArray(), "damaged"),
            ("torn", [.. sound[..8192], .. new byte[sound.Length - 8192]], "damaged"),
        ];
        foreach (var (name, content, words) in all)
        {
            Directory.CreateDirectory(In(name));
            await File.WriteAllBytesAsync(DataFolder.DatabaseIn(In(name)), content);
            Assert.Contains(words, Refused(In(name)));
            Assert.Equal(content, await File.ReadAllBytesAsync(DataFolder.DatabaseIn(In(name))));
        }
    }

    [Fact]
    public async Task Tidying_removes_what_no_edit_names_and_keeps_the_rest()
    {
        var folder = await MadeAsync("tidy");
        var grounds = new GroundStore(DataFolder.GroundsIn(folder));
        var used = grounds.Keep(new([0, 0, 5, 10, 0, 5, 10, 10, 5], [0, 1, 2]));
        var store = new ProjectStore(new Contexts(DataFolder.DatabaseIn(folder)));
        var land = new GroundReference("Land", used);
        await store.EditAsync("kept", 1, [new("add", "/ground", BridgeJson.Node(land))], "Ground");
        // Undone, but still in the history.
        await store.UndoAsync("kept");
        SqliteConnection.ClearAllPools();
        using (DataFolder.Open(folder))
            Assert.Throws<DataFolderException>(() => Tidy.Run(folder));
        Assert.Equal(1, Tidy.Run(folder).Grounds);
        Assert.NotNull(new GroundStore(DataFolder.GroundsIn(folder)).Find(used));
        Assert.NotNull(await store.AtAsync("kept", 2));
        SqliteConnection.ClearAllPools();
        Assert.Equal(0, Tidy.Run(folder).Grounds);
    }

    [Fact]
    public async Task A_newer_database_is_refused()
    {
        var folder = await MadeAsync("newer");
        await using (var connection = new SqliteConnection($"Data Source={DataFolder.DatabaseIn(folder)};Pooling=False"))
        {
            connection.Open();
            var command = connection.CreateCommand();
            command.CommandText = "INSERT INTO __EFMigrationsHistory VALUES ('99990101000000_Later', '99')";
            command.ExecuteNonQuery();
        }
        Assert.Contains("newer version", Refused(folder));
    }

    [Fact]
    public async Task A_backup_holds_all_and_is_brought_back_beside_what_was_there()
    {
        var (folder, file) = (await MadeAsync("data"), In("backup.zip"));
        using (DataFolder.Open(folder))
        {
            Backup.Write(folder, file);
            Assert.Contains("in use", Assert.Throws<DataFolderException>(() => Backup.Restore(file, folder)).Message);
        }
        await new ProjectStore(new Contexts(DataFolder.DatabaseIn(folder))).CreateAsync(Bridge.New("Later"), "Begun", "later");
        SqliteConnection.ClearAllPools();
        var aside = Backup.Restore(file, folder)!;
        var (now, before) = (new Contexts(DataFolder.DatabaseIn(folder)), new Contexts(DataFolder.DatabaseIn(aside)));
        Assert.Equal(["kept"], (await List(now).ListAsync()).Select(p => p.Id));
        Assert.Equal(2, (await List(before).ListAsync()).Count);
        Assert.Single(Directory.EnumerateFiles(DataFolder.GroundsIn(folder)));
        var picture = Path.GetFileNameWithoutExtension(Assert.Single(Directory.EnumerateFiles(DataFolder.PicturesIn(folder))));
        Assert.Equal([1, 2, 3], new PictureStore(DataFolder.PicturesIn(folder)).Find(picture)!);
        await File.WriteAllTextAsync(In("none.zip"), "no archive");
        Assert.Throws<DataFolderException>(() => Backup.Restore(In("none.zip"), folder));
        Assert.Throws<DataFolderException>(() => Backup.Write(In("nothing"), In("x.zip")));
        Assert.False(File.Exists(In("x.zip")));
    }

    private static BridgeList List(Contexts contexts) => new(contexts, new(contexts));

    private static string Refused(string folder) => Assert.Throws<DataFolderException>(() => DataFolder.Open(folder)).Message;
}
