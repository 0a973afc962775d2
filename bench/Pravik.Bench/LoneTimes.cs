using Pravik.Core.LoneMembers;
using Pravik.Exchange;

namespace Pravik.Bench;

/// <summary>Members alone: places, effects with traffic, combinations and all checks, as after each edit.</summary>
internal static class LoneTimes
{
    public static void Measure()
    {
        var reference = Models.Median(() => Reference.Product());
        Console.WriteLine(Reference.Line("reference", reference, reference));
        foreach (var file in Directory.EnumerateFiles(Path.Combine(Demo.Root, "examples", "members"), "*.json").Order())
        {
            var member = Formats.Member.Read(File.ReadAllText(file)).Document!;
            var places = new LonePlaces(member).Places.Length;
            var time = Models.Median(() => new LoneRun(member));
            Console.WriteLine(Reference.Line($"{member.Name}, {places} places: edit to utilisations", time, reference));
        }
    }
}
