using Pravik.Core.Bridges;
using Pravik.Core.Roads;
using Pravik.Exchange;

namespace Pravik.Core.Tests;

/// <summary>Bridges that the tests share.</summary>
internal static class TestBridges
{
    public static Bridge Demo { get; } = Read("sorrel-brook.json");

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
            Girders = new() { Count = 1, OverhangLeft = 1.5 },
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
            Girders = new() { Count = 4, OverhangLeft = 1.0 },
        };

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
