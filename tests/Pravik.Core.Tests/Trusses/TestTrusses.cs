using Pravik.Core.Findings;
using Pravik.Core.Geometry;
using Pravik.Core.Trusses;

namespace Pravik.Core.Tests.Trusses;

/// <summary>Schemes for tests: over a deep opening, without weight, all factors 1, so that forces are those of the textbook.</summary>
internal static class TestTrusses
{
    public static TrussSite Site(double opening, int panels) =>
        new()
        {
            Opening = opening,
            Panels = panels,
            DeckWeight = 0,
            Deck = "heavy",
            Ground = [new(-10, -40), new(opening + 10, -40)],
        };

    public static TrussRules Plain { get; } =
        new()
        {
            Permanent = 1,
            PermanentRelieving = 1,
            Traffic = 1,
            GammaM1 = 1,
            SlendernessCompression = null,
            SlendernessTension = null,
            Deflection = null,
        };

    /// <summary>A scheme without weight: two lanes, so that one axle of a vehicle reaches a plane whole.</summary>
    public static TrussScheme Scheme(TrussSite site, params (string From, string To)[] bars) =>
        TrussScheme.New(site) with
        {
            Rules = Plain,
            Vehicles = [new() { Axles = [new(1, 0)] }],
            Grades = [new("weightless", 355e6, 210e9, 0, 1)],
            Bars =
            [
                .. bars.Select(b => new TrussBar
                {
                    From = b.From,
                    To = b.To,
                    Grade = "weightless",
                }),
            ],
        };

    public static TrussScheme Drawn(TrussSite site, FormKind kind, double depth, double rise = 0, bool isBelow = false)
    {
        TrussForm form = new()
        {
            Kind = kind,
            Depth = depth,
            Rise = rise,
            IsBelow = isBelow,
        };
        var scheme = Scheme(site, ("D0", "D1"));
        return TrussForms.Draw(scheme, form).Scheme!;
    }

    /// <summary>Force in the bar between two joints under a load of 1 down on a joint of the deck.</summary>
    public static double Unit(TrussForces forces, int deck, string from, string to) => forces.Influence[deck][Bar(forces.Model, from, to)];

    public static int Bar(TrussModel model, string from, string to) =>
        model.Bars.ToList().FindIndex(b => Ends(model, b) is var (i, j) && ((i == from && j == to) || (i == to && j == from)));

    public static IEnumerable<Finding> Faults(TrussScheme scheme) => TrussValidation.Check(scheme).Where(f => f.Severity >= Severity.Fault);

    public static TrussForces Forces(TrussScheme scheme) => TrussForces.Of(TrussModel.Of(scheme))!;

    public static ModelJoint Joint(string id, double x, double y, JointHold hold = JointHold.None) => new(id, new Point(x, y), hold);

    private static (string, string) Ends(TrussModel model, ModelBar bar) => (model.Joints[bar.From].Id, model.Joints[bar.To].Id);
}
