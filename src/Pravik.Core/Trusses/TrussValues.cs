namespace Pravik.Core.Trusses;

/// <summary>All values of a scheme that have bounds, by path.</summary>
internal static class TrussValues
{
    /// <summary>Numbers, texts and words, each with its path; own values that are missing are left out.</summary>
    public static IEnumerable<(string Path, object Value)> Of(TrussScheme scheme) =>
        All(scheme).Where(v => v.Value is not null).Select(v => (v.Path, v.Value!));

    private static IEnumerable<(string Path, object? Value)> All(TrussScheme s) =>
        [
            ("/name", s.Name),
            ("/author", s.Author),
            ("/currency", s.Currency),
            .. Site(s.Site),
            .. Rules(s.Rules),
            .. s.Vehicles.SelectMany((v, i) => Vehicle(v, $"/vehicles/{i}")),
            .. s.Form is { } form ? Form(form) : [],
            .. s.Joints.SelectMany((j, i) => Place($"/joints/{i}", ("id", j.Id), ("x", j.X), ("z", j.Z))),
            .. s.Bars.SelectMany((b, i) => Place($"/bars/{i}", ("from", b.From), ("to", b.To))),
            .. s.Sections.SelectMany(
                (o, i) => Place($"/sections/{i}", ("name", o.Name), ("area", o.Area), ("secondMoment", o.SecondMoment), ("depth", o.Depth))
            ),
            .. s.Grades.SelectMany(
                (g, i) =>
                    Place($"/grades/{i}", ("name", g.Name), ("yield", g.Yield), ("e", g.E), ("density", g.Density), ("price", g.Price))
            ),
            .. s.Prices.Select(p => ($"/prices/{p.Key}", (object?)p.Value)),
            .. s.Picture is { } p ? Place("/picture", ("x", p.X), ("top", p.Top), ("width", p.Width)) : [],
            .. s.Task is { } task ? Task(task) : [],
        ];

    private static IEnumerable<(string, object?)> Place(string at, params (string Name, object? Value)[] values) =>
        values.Select(v => ($"{at}/{v.Name}", v.Value));

    private static IEnumerable<(string, object?)> Site(TrussSite s) =>
        [
            .. Place(
                "/site",
                ("opening", s.Opening),
                ("road", s.Road),
                ("springings", s.Springings),
                ("leftAnchor", s.LeftAnchor),
                ("rightAnchor", s.RightAnchor),
                ("panels", (double)s.Panels),
                ("deckWeight", s.DeckWeight),
                ("lanes", (double)s.Lanes),
                ("laneWidth", s.LaneWidth),
                ("kerb", s.Kerb),
                ("headroom", s.Headroom),
                ("planes", s.Planes)
            ),
            .. s.Ground.SelectMany((g, i) => Place($"/site/ground/{i}", ("x", g.X), ("z", g.Z))),
            .. s.Clearance is { } c ? Place("/site/clearance", ("from", c.From), ("to", c.To), ("top", c.Top)) : [],
            .. s.Pier is { } p ? Place("/site/pier", ("x", p.X), ("top", p.Top)) : [],
        ];

    private static IEnumerable<(string, object?)> Rules(TrussRules r) =>
        Place(
            "/rules",
            ("permanent", r.Permanent),
            ("permanentRelieving", r.PermanentRelieving),
            ("traffic", r.Traffic),
            ("gammaM0", r.GammaM0),
            ("gammaM1", r.GammaM1),
            ("slendernessCompression", r.SlendernessCompression),
            ("slendernessTension", r.SlendernessTension),
            ("deflection", r.Deflection)
        );

    private static IEnumerable<(string, object?)> Vehicle(TrussVehicle v, string at) =>
        [
            .. Place(at, ("name", v.Name), ("dynamic", v.Dynamic)),
            .. v.Axles.SelectMany((a, i) => Place($"{at}/axles/{i}", ("load", a.Load), ("gap", a.Gap))),
        ];

    private static IEnumerable<(string, object?)> Form(TrussForm f) =>
        Place("/form", ("kind", f.Kind), ("depth", f.Depth), ("rise", f.Rise));

    private static IEnumerable<(string, object?)> Task(TrussTask t) =>
        Place(
            "/task",
            ("name", t.Name),
            ("text", t.Text),
            ("mostJoints", (double?)t.MostJoints),
            ("mostBars", (double?)t.MostBars),
            ("mostSections", (double?)t.MostSections),
            ("mostCost", t.MostCost),
            ("score", t.Score)
        );
}
