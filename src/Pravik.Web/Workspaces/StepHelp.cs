namespace Pravik.Web.Workspaces;

/// <summary>What each step is for, in a few sentences. The picture beside them is <c>wwwroot/help</c>.</summary>
public static class StepHelp
{
    private static readonly Dictionary<string, (string Name, string[] Help)> Steps = new()
    {
        ["site"] = (
            "Site",
            [
                "What is crossed, and what carries it: opening, road level, abutments or springings, a support "
                    + "between, anchorages, deck, vehicles.",
                "Each choice shows what it costs before a bar is drawn; the second view compares them all.",
            ]
        ),
        ["sketch"] = (
            "Sketch",
            [
                "Begin from a form, or draw: with the pointer that draws a press makes a joint, a drag makes bars from joint to joint. "
                    + "Joints snap to the grid, to lines through other joints and to their mirror images; Alt leaves them free.",
                "With the pointer that picks, drag a joint to move it, drag over an area to pick bars, Delete "
                    + "takes away. It has to stand before it can "
                    + "be loaded: where it moves is drawn, and the findings offer the bar that holds it.",
            ]
        ),
        ["bars"] = (
            "Bars",
            [
                "Every bar with its forces, what it can carry, and the vehicle's place that is worst for it. A "
                    + "row picks its bar, and the reverse.",
                "Long bars are weak in compression: the second view draws resistance against length, beside "
                    + "other families of the same mass.",
            ]
        ),
        ["drive"] = (
            "Drive",
            [
                "The weight comes first, then the vehicle, step by step. What gives way is followed until the truss stands or falls.",
                "Tension is a plain bar, compression a notched one; the filled part is the ratio. The band sets"
                    + " the vehicle's place; p drives and pauses.",
            ]
        ),
        ["cost"] = ("Cost", ["What everything costs, line by line. Every price can be typed; grey ones are those of the list."]),
        ["lighter"] = (
            "Make it lighter",
            [
                "A search for sections, places of joints, or both, at least cost with every ratio at most 1, "
                    + "the charge for each different section "
                    + "in it.",
                "What was found is drawn over what was; it is an edit like any other once it is taken.",
            ]
        ),
        ["compare"] = ("Compare", ["Designs of one task, or over the same opening, ranked: those that pass first."]),
        ["basis"] = (
            "Basis",
            [
                "The code and its national values, the units and the titles of every sheet.",
                "A national value that is typed here replaces that of the set; it can be given back. Units in the header "
                    + "are yours alone: the project keeps its own.",
            ]
        ),
        ["road"] = (
            "Road",
            [
                "The line and the levels that the bridge follows: straights, arcs and transition curves in plan, gradients "
                    + "and vertical curves in profile.",
                "Type elements or intersection points, or bring in a LandXML file with its ground. A newer issue is "
                    + "compared with the old one before it is accepted.",
            ]
        ),
        ["axes"] = (
            "Axes",
            [
                "Where supports stand along the road, and how they are skewed. Spans lie between axes and are measured "
                    + "along the road line.",
                "Type the spans as 18 + 22 + 18, or drag an axis in the elevation: it moves by steps that can be seen; Alt "
                    + "moves it by 10 mm, Esc takes it back.",
            ]
        ),
        ["deck"] = (
            "Deck",
            [
                "The strips across, from the road line outward on both sides, with slab and surfacing under them. Kerbs "
                    + "and parapets follow from the strips.",
                "Carriageways for traffic are found between kerbs and barriers, and are shown on the section.",
            ]
        ),
        ["girders"] = (
            "Girders",
            [
                "How many girders there are, how they lie under the deck, and the types that they are made to: section, "
                    + "concrete, strands.",
                "Pick a girder on the plan, or several with Shift, to give them values of their own; what is grey is "
                    + "inherited and can be given back.",
            ]
        ),
        ["materials"] = (
            "Materials",
            [
                "The concretes of girders, slab and supports, bars, strands and steel, as the checks calculate with them.",
                "Grey values follow from the class; a value typed here replaces one, and can be given back.",
            ]
        ),
        ["sections"] = (
            "Sections",
            [
                "The sections that girders and other members use: of a family with sizes, or outlines of your own drawn "
                    + "corner by corner.",
                "Sections are kept in the office library and taken from it.",
            ]
        ),
        ["substructure"] = (
            "Substructure",
            [
                "What stands at each axis: bearings, crosshead, columns or wall, foundation; abutments at the ends.",
                "A size may follow that of another axis. Levels follow from the deck above and the ground below.",
            ]
        ),
        ["loads"] = (
            "Loads",
            [
                "Permanent actions beside self-weight, temperature, settlement, wind, braking; lanes and vehicles; cases of your own.",
                "Under Lanes, see where traffic can be; under Vehicles, choose what drives, and enter vehicles of your own.",
                "Combinations follow from the standard and the national values of the basis; click one to give its factors own values.",
            ]
        ),
        ["analysis"] = (
            "Analysis",
            [
                "One model of line girders, a grillage or shells, stage by stage, and what it answers: moments, shears, "
                    + "reactions, deflections.",
                "It runs by itself after each edit. Sagging moments are drawn below the line, on the tension side.",
                "Loading and Influence show what stands behind a value of a girder, a bearing, a cross member or a column.",
            ]
        ),
        ["checks"] = (
            "Checks",
            [
                "What was checked, worst first, with every line of its calculation and clause, and what is not checked yet.",
                "Pick a row to see its calculation; the traffic behind it is shown on the deck.",
            ]
        ),
        ["spans"] = (
            "Spans and supports",
            [
                "Spans from the first support to the last, or from a free end. A support holds the member upright, or against turning "
                    + "too; one that gives has a stiffness.",
                "It is checked at forty places a span and more: at every change of section, bars, links and loads, and at the face of each "
                    + "bearing.",
            ]
        ),
        ["section"] = (
            "Section",
            [
                "Sections of the member, its materials, and a slab that is cast on it later.",
                "The first section is that of the whole length; stretches give parts of it another one.",
            ]
        ),
        ["bars"] = (
            "Bars and strands",
            [
                "Layers of bars that follow the soffit or the top, by number or by distance; links by stretches; pretensioned strands "
                    + "by rows.",
                "What lies outside the concrete or too close to its neighbour is a finding; nothing is checked until it is mended.",
            ]
        ),
        ["loading"] = (
            "Loads",
            [
                "Load cases beside the weight of the member, differences of temperature, and traffic of which the member carries a "
                    + "share of one lane.",
                "Vehicles are placed where they are worst, for each effect at each place.",
            ]
        ),
        ["effects"] = (
            "Effects",
            [
                "What acts along the member in each limit state, and reactions of each case without partial factors.",
                "Sagging moments are drawn below the line, on the tension side.",
            ]
        ),
        ["sheets"] = (
            "Sheets",
            [
                "The general arrangement and the bill of quantities, made from the bridge as it stands.",
                "Save them as PDF, SVG or spreadsheet; titles come from the basis.",
            ]
        ),
    };

    /// <summary>Whether there is a picture of a step.</summary>
    public static bool HasPicture(string step) => step is not ("spans" or "section" or "bars" or "loading" or "effects");

    /// <summary>Name of a step, and its sentences.</summary>
    public static (string Name, IReadOnlyList<string> Help) Of(string step) =>
        Steps.TryGetValue(step, out var known) ? (known.Name, known.Help) : (step, []);
}
