namespace Pravik.Exchange.Tests;

/// <summary>Files of own vehicles: what is read, and what is refused with place and reason.</summary>
public class VehiclesJsonTests
{
    private static string Of(string vehicle) => $$"""{ "vehicles": [ {{vehicle}} ] }""";

    [Fact]
    public void A_vehicle_is_read_with_its_gap_that_is_sought()
    {
        var reading = VehiclesJson.Read(
            Of("""{ "name": " T ", "wheelSpacing": 2.4, "axles": [ { "load": 8e4 }, { "load": 9e4, "gap": 4, "mostGap": 9 } ] }""")
        );
        Assert.Empty(reading.Findings);
        var vehicle = Assert.Single(reading.Vehicles);
        Assert.Equal(("T", 2.4, 170e3), (vehicle.Name, vehicle.WheelSpacing, vehicle.Total));
        Assert.Equal((4.0, 9.0), (vehicle.Axles[1].Gap, vehicle.Axles[1].MostGap));
    }

    [Theory]
    [InlineData("{", "")]
    [InlineData("[]", "")]
    [InlineData("""{ "vehicles": [ { "name": "a", "name": "b", "axles": [ { "load": 1000 } ] } ] }""", "")]
    [InlineData("""{ "vehicles": 3 }""", "")]
    [InlineData("""{ "vehicles": [ 3 ] }""", "/vehicles/0")]
    [InlineData("""{ "vehicles": [ { "axles": [ { "load": 1000 } ] } ] }""", "/vehicles/0/name")]
    [InlineData("""{ "vehicles": [ { "name": "a", "axles": [] } ] }""", "/vehicles/0/axles")]
    [InlineData("""{ "vehicles": [ { "name": "a", "axles": [ { "load": -5 } ] } ] }""", "/vehicles/0/axles/0/load")]
    [InlineData("""{ "vehicles": [ { "name": "a", "axles": [ { "load": 1e9 } ] } ] }""", "/vehicles/0/axles/0/load")]
    [InlineData("""{ "vehicles": [ { "name": "a", "axles": [ { "load": 1000 }, { "load": 1000 } ] } ] }""", "/vehicles/0/axles/1/gap")]
    [InlineData(
        """{ "vehicles": [ { "name": "a", "axles": [ { "load": 1000 }, { "load": 1000, "gap": -2 } ] } ] }""",
        "/vehicles/0/axles/1/gap"
    )]
    [InlineData(
        """{ "vehicles": [ { "name": "a", "axles": [ { "load": 1000 }, { "load": 1000, "gap": 4, "mostGap": 3 } ] } ] }""",
        "/vehicles/0/axles/1/mostGap"
    )]
    [InlineData("""{ "vehicles": [ { "name": "a", "wheelSpacing": 0, "axles": [ { "load": 1000 } ] } ] }""", "/vehicles/0/wheelSpacing")]
    public void What_is_no_vehicle_is_refused_at_its_place(string text, string path)
    {
        var reading = VehiclesJson.Read(text);
        Assert.Empty(reading.Vehicles);
        Assert.Contains(reading.Findings, f => f.Path == path && f.Message.Length > 10);
    }

    [Fact]
    public void One_name_stands_for_one_vehicle()
    {
        const string One = """{ "name": "a", "axles": [ { "load": 1000 } ] }""";
        Assert.Contains(VehiclesJson.Read(Of($"{One}, {One}")).Findings, f => f.Message.Contains("2 times"));
    }

    /// <summary>An office library does as well: its vehicles are taken, what else it has is not.</summary>
    [Fact]
    public void Vehicles_are_taken_from_an_office_library()
    {
        static string Library(string items) => $$"""{ "format": "pravik-library", "version": 1, "items": [ {{items}} ] }""";
        const string Lorry =
            """{ "kind": "vehicle", "value": { "name": "Lorry", "axles": [ { "load": 80000 }, { "load": 1e5, "gap": 4 } ] } }""";
        const string Heavy = """{ "kind": "vehicle", "value": { "name": "Heavy", "axles": [ { "load": 1e9 } ] } }""";
        var reading = VehiclesJson.Read(Library(Lorry));
        Assert.Equal(180e3, Assert.Single(reading.Vehicles).Total);
        Assert.Equal("/items/1/value/axles/0/load", Assert.Single(VehiclesJson.Read(Library($"{Lorry}, {Heavy}")).Findings).Path);
        Assert.Contains("no vehicle", Assert.Single(VehiclesJson.Read(Library("")).Findings).Message);
        // What is written is read again.
        var written = LibraryJson.Write(LibraryJson.Read(Library(Lorry)).Items);
        Assert.Equal("Lorry", Assert.Single(VehiclesJson.Read(written).Vehicles).Name);
    }
}
