using Pravik.Core.Bridges;
using Pravik.Core.Validation;

namespace Pravik.Core.Tests.Bridges;

public sealed class NewBridgeTests
{
    /// <summary>What a person begins with has no findings and carries its loads.</summary>
    [Fact]
    public void A_new_bridge_is_sound()
    {
        Assert.Empty(BridgeValidation.Check(Bridge.New("New")));
        Assert.InRange(TestBridges.Run(Bridge.New("New")).Governing!.Utilisation, 0.5, 1);
    }
}
