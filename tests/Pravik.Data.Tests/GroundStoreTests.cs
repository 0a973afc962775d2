using Pravik.Core.Roads;

namespace Pravik.Data.Tests;

public sealed class GroundStoreTests : IDisposable
{
    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("pravik-grounds-");

    public void Dispose() => folder.Delete(true);

    private static Ground Field(double level) => new([0, 0, level, 10, 0, level, 10, 10, level + 1], [0, 1, 2]);

    [Fact]
    public void A_ground_is_kept_once_under_the_hash_of_its_content_and_found_after_a_restart()
    {
        var store = new GroundStore(folder.FullName);
        var hash = store.Keep(Field(3));
        Assert.Equal(hash, store.Keep(Field(3)));
        Assert.NotEqual(hash, store.Keep(Field(4)));
        Assert.Equal(2, folder.GetFiles().Length);
        var again = new GroundStore(folder.FullName).Find(hash)!;
        Assert.Equal(Field(3).Coordinates, again.Coordinates);
        Assert.Equal(3.5, again.Level(new(10, 5))!.Value, 1e-12);
    }

    [Theory]
    [InlineData("")]
    [InlineData("../../../etc/passwd")]
    [InlineData("00000000000000000000000000000000")]
    public void What_was_never_kept_is_not_found(string hash) => Assert.Null(new GroundStore(folder.FullName).Find(hash));

    [Fact]
    public void Many_grounds_do_not_stay_in_memory_but_all_are_found()
    {
        var store = new GroundStore(folder.FullName);
        var hashes = Enumerable.Range(0, 20).Select(i => store.Keep(Field(i))).ToList();
        foreach (var (hash, i) in hashes.Select((h, i) => (h, i)))
            Assert.Equal(i, store.Find(hash)!.Coordinates[2]);
    }
}
