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
    public bool IsSymmetric => Second is null && Lead.IsSame(Lead.Turned());

    /// <summary>The shape of a vehicle's axles, each with its share of their load.</summary>
    public static VehicleShape Of(Vehicle vehicle)
    {
        var parted = 0;
        while (parted < vehicle.Axles.Length && vehicle.Axles[parted].MostGap is null)
            parted++;
        if (parted == vehicle.Axles.Length)
            return new(Group(vehicle, 0, parted), null, 0, 0);
        var axle = vehicle.Axles[parted];
        return new(Group(vehicle, 0, parted), Group(vehicle, parted, vehicle.Axles.Length), axle.Gap, axle.MostGap!.Value);
    }

    /// <summary>Its single wheels on the lines that they follow.</summary>
    public VehicleShape OnTracks(WheelTracks tracks) => new(Lead.OnTracks(tracks), Second?.OnTracks(tracks), Gap, MostGap);

    /// <summary>What shapes are known by: the same for vehicles that differ in load alone.</summary>
    public static string KeyOf(Vehicle vehicle)
    {
        var total = vehicle.AxleLoad;
        var axles = vehicle.Axles.Select(a =>
            string.Create(CultureInfo.InvariantCulture, $"{a.Load / total:g12}/{a.Gap:g12}/{a.MostGap:g12}/{Words(vehicle.WheelsOf(a))}")
        );
        return $"{vehicle.OnlyWorsening} {vehicle.StaysOnDeck} {string.Join(' ', axles)}";
    }

    private static string Words(IEnumerable<double> wheels) =>
        string.Join(',', wheels.Select(w => w.ToString("g9", CultureInfo.InvariantCulture)));

    private static AxleGroup Group(Vehicle vehicle, int from, int to)
    {
        var (behind, load, total) = (new double[to - from], new double[to - from], vehicle.AxleLoad);
        double at = 0;
        for (var i = from; i < to; i++)
        {
            at += i == from ? 0 : vehicle.Axles[i].Gap;
            (behind[i - from], load[i - from]) = (at, vehicle.Axles[i].Load / total);
        }
        return new(behind, load, [.. vehicle.Axles[from..to].Select(vehicle.WheelsOf)]);
    }
}
