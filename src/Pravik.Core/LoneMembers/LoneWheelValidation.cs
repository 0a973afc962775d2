using Pravik.Core.Units;
using Pravik.Core.Validation;

namespace Pravik.Core.LoneMembers;

/// <summary>The bounds of wheels that may punch through a strip of slab.</summary>
internal static class LoneWheelValidation
{
    private const int Most = 20;

    public static void Check(LoneMember member, double length, Bounds bounds)
    {
        if (member.Wheels is not { } wheels)
            return;
        if (wheels.Wheels.IsDefault || wheels.Stand.IsDefault || wheels.Wheels.Contains(null!) || wheels.Stand.Contains(null!))
        {
            bounds.Error("/wheels", "A list of the wheels is missing.");
            return;
        }
        if (wheels.Wheels.Length > Most || wheels.Stand.Length > Most)
            bounds.Error("/wheels", $"There are at most {Most} wheels, and as many stretches on which they stand.");
        for (var i = 0; i < wheels.Wheels.Length; i++)
        {
            var (wheel, path) = (wheels.Wheels[i], $"/wheels/wheels/{i}");
            bounds.Text($"{path}/name", "The name of a wheel", wheel.Name, 80);
            bounds.Between($"{path}/force", "The force of a wheel", wheel.Force, 1, 5e6, QuantityKind.Force);
            bounds.Between($"{path}/along", "The length of a wheel", wheel.Along, 0.05, 5, QuantityKind.Size);
            bounds.Between($"{path}/across", "The width of a wheel", wheel.Across, 0.05, 5, QuantityKind.Size);
        }
        for (var i = 0; i < wheels.Stand.Length; i++)
            LoneValidation.Within($"/wheels/stand/{i}", wheels.Stand[i].From, wheels.Stand[i].To, length, bounds);
        foreach (var (name, area) in new[] { ("bottom", wheels.Bottom), ("top", wheels.Top) })
            bounds.Between($"/wheels/{name}", "The area of bars", area, 0, 0.05, QuantityKind.Number);
        foreach (var (name, axis) in new[] { ("bottomAxis", wheels.BottomAxis), ("topAxis", wheels.TopAxis) })
            bounds.Between($"/wheels/{name}", "The distance of bars", axis, 0.01, 1, QuantityKind.Size);
    }
}
