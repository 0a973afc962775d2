using System.Globalization;
using Pravik.Core.Vehicles;

namespace Pravik.Core.Traffic;

/// <summary>
/// How a vehicle's axles stand and share its load: one group, or two with a gap between them that is sought. Vehicles that differ in load
/// alone have one shape, and are worst in the same places.
/// </summary>
internal sealed class VehicleShape
{
    private VehicleShape(AxleGroup lead, AxleGroup? second, double gap, double mostGap)
    {
        (Lead, Second, Gap, MostGap) = (lead, second, gap, mostGap);
    }

    /// <summary>The group that leads.</summary>
    public AxleGroup Lead { get; }

    /// <summary>The group behind it; null for none.</summary>
    public AxleGroup? Second { get; }

    /// <summary>Least distance from the last axle of the one to the first of the other (m).</summary>
    public double Gap { get; }

    /// <summary>Greatest distance of them; infinite for any.</summary>
    public double MostGap { get; }

    /// <summary>The same going back.</summary>
    public VehicleShape Turned() =>
        Second is { } second ? new(second.Turned(), Lead.Turned(), Gap, MostGap) : new(Lead.Turned(), null, 0, 0);

    /// <summary>Whether it is the same going back.</summary>
    public bool IsSymmetric => Second is null && Same(Lead, Lead.Turned());

    private static bool Same(AxleGroup a, AxleGroup b) => Alike(a.Behind, b.Behind) && Alike(a.Load, b.Load);

    private static bool Alike(double[] a, double[] b) => a.Zip(b).All(p => Math.Abs(p.First - p.Second) < 1e-9);

    /// <summary>The shape of a vehicle's axles, each with its share of their load.</summary>
    public static VehicleShape Of(Vehicle vehicle)
    {
        var total = vehicle.AxleLoad;
        var parted = 0;
        while (parted < vehicle.Axles.Length && vehicle.Axles[parted].MostGap is null)
            parted++;
        if (parted == vehicle.Axles.Length)
            return new(Group(vehicle.Axles.AsSpan(), total), null, 0, 0);
        var axle = vehicle.Axles[parted];
        return new(
            Group(vehicle.Axles.AsSpan()[..parted], total),
            Group(vehicle.Axles.AsSpan()[parted..], total),
            axle.Gap,
            axle.MostGap!.Value
        );
    }

    /// <summary>The same with a part of its load, as on one wheel of each axle.</summary>
    public VehicleShape Times(double part) => new(Scaled(Lead, part), Second is null ? null : Scaled(Second, part), Gap, MostGap);

    private static AxleGroup Scaled(AxleGroup group, double part) => new(group.Behind, [.. group.Load.Select(l => part * l)]);

    /// <summary>What shapes are known by: the same for vehicles that differ in load alone.</summary>
    public static string KeyOf(Vehicle vehicle)
    {
        var total = vehicle.AxleLoad;
        var axles = vehicle.Axles.Select(a =>
            string.Create(CultureInfo.InvariantCulture, $"{a.Load / total:g12}/{a.Gap:g12}/{a.MostGap:g12}")
        );
        return string.Create(CultureInfo.InvariantCulture, $"{vehicle.WheelSpacing:g12} {vehicle.OnlyWorsening} {string.Join(' ', axles)}");
    }

    private static AxleGroup Group(ReadOnlySpan<Axle> axles, double total)
    {
        var (behind, load) = (new double[axles.Length], new double[axles.Length]);
        double at = 0;
        for (var i = 0; i < axles.Length; i++)
        {
            at += i == 0 ? 0 : axles[i].Gap;
            (behind[i], load[i]) = (at, axles[i].Load / total);
        }
        return new(behind, load);
    }
}
