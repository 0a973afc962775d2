using NetArchTest.Rules;
using Pravik.Core.Bridges;

namespace Pravik.Core.Tests;

/// <summary>Dependencies inside Core point one way: a folder uses only those before it.</summary>
public class ArchitectureTests
{
    private static readonly string[] Order =
    [
        "Units",
        "Findings",
        "Calculations",
        "Numerics",
        "Geometry",
        "Frames",
        "Plates",
        "Roads",
        "Materials",
        "Sections",
        "Codes",
        "Vehicles",
        "Bridges",
        "Entries",
        "Places",
        "Validation",
        "Solids",
        "Quantities",
        "Models",
        "Loads",
        "Stages",
        "Traffic",
        "Effects",
        "Members",
        "Checks",
        "LoneMembers",
        "Slabs",
        "Runs",
        "Proposals",
        "Trusses",
    ];

    [Fact]
    public void Every_folder_of_Core_is_in_the_order_and_uses_only_earlier_ones()
    {
        var folders = typeof(Bridge)
            .Assembly.GetTypes()
            .Select(t => t.Namespace)
            .OfType<string>()
            .Where(n => n.StartsWith("Pravik.Core.", StringComparison.Ordinal))
            .Select(n => n.Split('.')[2])
            .Distinct();
        Assert.Equal(Order.Order(), folders.Order());
        List<string> faults = [];
        for (var i = 0; i < Order.Length; i++)
        {
            var later = Order[(i + 1)..].Select(f => $"Pravik.Core.{f}").ToArray();
            if (later.Length == 0)
                continue;
            var result = Types
                .InAssembly(typeof(Bridge).Assembly)
                .That()
                .ResideInNamespace($"Pravik.Core.{Order[i]}")
                .ShouldNot()
                .HaveDependencyOnAny(later)
                .GetResult();
            if (!result.IsSuccessful)
                faults.Add($"{Order[i]} uses a later folder in {string.Join(", ", result.FailingTypeNames ?? [])}");
        }
        Assert.Empty(faults);
    }

    [Fact]
    public void Core_knows_nothing_of_web_and_database()
    {
        var references = typeof(Bridge).Assembly.GetReferencedAssemblies().Select(a => a.Name!);
        Assert.DoesNotContain(
            references,
            name => name.StartsWith("Microsoft.", StringComparison.Ordinal) || name.StartsWith("Pravik", StringComparison.Ordinal)
        );
    }
}
