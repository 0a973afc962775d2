using Pravik.Core.Bridges;
using Pravik.Core.Roads;
using Pravik.Core.Runs;
using Pravik.Exchange;

namespace Pravik.Core.Tests;

/// <summary>Bridges that the tests share.</summary>
internal static class TestBridges
{
    public static Bridge Demo { get; } = Read("sorrel-brook.json");

    /// <summary>The demo with one type of girder, whose stress after losses is entered.</summary>
    public static Bridge OneType { get; } =
        Demo with
        {
            Girders = Demo.Girders with
            {
                Types =
                [
                    Demo.Girders.Types[0] with
                    {
                        Concrete = new() { Class = "C45/55" },
                        Strands = new()
                        {
                            EffectiveStress = 1050e6,
                            Rows = [new() { Level = 0.06, Count = 12 }, new() { Level = 0.11, Count = 10 }],
                        },
                    },
                ],
                Spans = Demo.Girders.Spans.Clear(),
                SlabBars = new()
                {
                    Top = new()
                    {
                        Diameter = 0.02,
                        Spacing = 0.125,
                        AxisDistance = 0.058,
                    },
                },
                PierBars = Demo.Girders.PierBars with { Count = 8 },
            },
        };

    /// <summary>What runs of the tests keep for one another.</summary>
    public static RunStores Stores { get; } = new(6);

    public static BridgeResults Run(Bridge bridge) => BridgeRun.Run(bridge, stores: Stores);

    public static Bridge Read(string name)
    {
        var reading = BridgeJson.Read(File.ReadAllText(Path.Combine(Root, "examples", name)));
        return reading.Bridge ?? throw new InvalidDataException(string.Join("; ", reading.Findings.Select(f => $"{f.Path}: {f.Message}")));
    }

    public static string Root
    {
        get
        {
            var folder = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(folder, "Pravik.slnx")))
                folder = Path.GetDirectoryName(folder)!;
            return folder;
        }
    }

    /// <summary>One girder under a carriageway of 3 m: a beam, to be set against closed forms.</summary>
    public static Bridge OneGirder(params double[] spans) =>
        Bridge.New("Beam") with
        {
            Axes = new() { FirstStation = 10, Spans = [.. spans] },
            Road = Straight(20 + spans.Sum()),
            Deck = Bridges.DeckEdits.Of([Lane(1.5)], [Lane(1.5)]) with { EndOverhang = 0 },
            Girders = new Girders { Count = 1, OverhangLeft = 1.5 }.Entered(),
            Parapets = [],
        };

    /// <summary>A deck that is the same on both sides of the road line.</summary>
    public static Bridge Symmetric(double skew, params double[] spans) =>
        Bridge.New("Symmetric") with
        {
            Axes = new()
            {
                FirstStation = 30,
                Spans = [.. spans],
                Skew = skew,
            },
            Road = Straight(60 + spans.Sum()),
            Girders = new Girders { Count = 4, OverhangLeft = 1.0 }.Entered(),
        };

    /// <summary>The same girders with an entered stress after losses, 1050 MPa, which closed forms of prestress start from.</summary>
    public static Girders Entered(this Girders girders) =>
        girders.Typed(t => t with { Strands = t.Strands with { EffectiveStress = 1050e6 } });

    /// <summary>The same girders with another first type.</summary>
    public static Girders Typed(this Girders girders, Func<GirderType, GirderType> change) =>
        girders with
        {
            Types = girders.Types.SetItem(0, change(girders.Types[0])),
        };

    public static Road Straight(double length) => Arc(length, null);

    /// <summary>A road of one element; positive radius turns right.</summary>
    public static Road Arc(double length, double? radius) =>
        new()
        {
            Elements =
            [
                new()
                {
                    Length = length,
                    StartRadius = radius,
                    EndRadius = radius,
                },
            ],
        };

    private static Strip Lane(double width) => new() { Kind = StripKind.Carriageway, Width = width };
}
