using System.Reflection;

namespace Pravik.Web.Tests;

/// <summary>Projects depend one way: Web → Data, Exchange, Drawings → Core.</summary>
public class LayeringTests
{
    [Theory]
    [InlineData("Pravik.Core")]
    [InlineData("Pravik.Drawings", "Pravik.Core")]
    [InlineData("Pravik.Exchange", "Pravik.Core")]
    [InlineData("Pravik.Data", "Pravik.Core", "Pravik.Exchange")]
    [InlineData("Pravik.Web", "Pravik.Core", "Pravik.Exchange", "Pravik.Data", "Pravik.Drawings")]
    public void A_project_uses_only_those_below_it(string project, params string[] allowed)
    {
        var used = Assembly
            .Load(project)
            .GetReferencedAssemblies()
            .Select(a => a.Name!)
            .Where(n => n.StartsWith("Pravik.", StringComparison.Ordinal));
        Assert.Empty(used.Except(allowed));
    }
}
