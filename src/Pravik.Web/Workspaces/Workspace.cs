using Pravik.Core.Entries;
using Pravik.Core.Findings;
using Pravik.Web.Ledgers;

namespace Pravik.Web.Workspaces;

/// <summary>What the screen asks for: step, layout, station, picked part, results wanted, and the room there is (pixels).</summary>
public sealed record WorkspaceRequest
{
    /// <summary>Id of the step.</summary>
    public string Step { get; init; } = "axes";

    /// <summary>Id of the layout; null for the first.</summary>
    public string? Layout { get; init; }

    /// <summary>Station of the cursor (m).</summary>
    public double? Station { get; init; }

    /// <summary>The picked part.</summary>
    public string? Pick { get; init; }

    /// <summary>Girder from 1.</summary>
    public int Girder { get; init; } = 1;

    /// <summary>
    /// Of a model's results: case, sum, envelope or combination; quantity; girders; how they are arranged; scale and how much larger.
    /// </summary>
    public string Show { get; init; } = "ultimate";

    /// <summary>Effect shown.</summary>
    public string Quantity { get; init; } = "M";

    /// <summary>Numbers of girders shown, as typed.</summary>
    public string Girders { get; init; } = "all";

    /// <summary>One diagram for all girders, or one for each.</summary>
    public string Arrange { get; init; } = "over";

    /// <summary>Whether axes of diagrams stay as they are.</summary>
    public string Fixed { get; init; } = "own";

    /// <summary>Magnification of the model.</summary>
    public double Zoom { get; init; } = 1;

    /// <summary>Which table is shown.</summary>
    public string Table { get; init; } = "girders";

    /// <summary>What is laid under the results: <c>before</c>, the number of an edit, or nothing.</summary>
    public string With { get; init; } = "";

    /// <summary>
    /// Of the drawing of a model: what is drawn on it, from where it is seen, what is written, whether it moves, whose loads.
    /// </summary>
    public string Drawn { get; init; } = "deflection";

    /// <summary>From where the model is seen.</summary>
    public string Look { get; init; } = "space";

    /// <summary>Which names of the model are written.</summary>
    public string Names { get; init; } = "none";

    /// <summary>Factor on displacements.</summary>
    public string Motion { get; init; } = "still";

    /// <summary>Which load or result is shown.</summary>
    public string Load { get; init; } = "";

    /// <summary>Traffic model that is looked at, by name.</summary>
    public string Traffic { get; init; } = "";

    /// <summary>Arrangement of its lanes, from 1.</summary>
    public int Lanes { get; init; } = 1;

    /// <summary>Whether the greatest or the least value is looked at.</summary>
    public string Side { get; init; } = "greatest";

    /// <summary>Line along which an influence surface is told: <c>girder</c>, <c>road</c>, or <c>lane</c> and its number.</summary>
    public string Along { get; init; } = "girder";

    /// <summary>Where an effect is looked at: a bearing or an end of a member; empty for the girder at the cursor.</summary>
    public string Place { get; init; } = "";

    /// <summary>Stage of construction, from 1.</summary>
    public int Stage { get; init; } = 1;

    /// <summary>Column by which the table is sorted, from 1; negative for the greatest first, 0 for the order in which it came.</summary>
    public int Sort { get; init; }

    /// <summary>Only rows of the table that hold this text.</summary>
    public string Filter { get; init; } = "";

    /// <summary>How many rows of the table are wanted.</summary>
    public int Rows { get; init; } = DataTable.Window;

    /// <summary>What stands open over the sheet: <c>findings</c>, <c>history</c>, <c>help</c> or nothing.</summary>
    public string Drawer { get; init; } = "";

    /// <summary>Width of the drawings (px).</summary>
    public double Width { get; init; } = 964;

    /// <summary>Height of the drawings (px).</summary>
    public double Height { get; init; } = 600;

    /// <summary>Width of the band (px).</summary>
    public double BandWidth { get; init; } = 1280;
}

/// <summary>A step in the line at the top, with its state as a mark and a word.</summary>
public sealed record StepState(string Id, string Name, string State, string Word);

/// <summary>A drawing on the sheet, as SVG.</summary>
public sealed record ViewPart(string Id, string Title, string Note, string Svg)
{
    /// <summary>Station at the drawing's left and per millimetre, for views where a click sets the station.</summary>
    public StationMap? Stations { get; init; }

    /// <summary>How a section lies on its drawing, for views on which outlines are drawn.</summary>
    public PlaneMap? Plane { get; init; }

    /// <summary>How a truss lies on its drawing, for a view on which it is drawn.</summary>
    public SketchMap? Sketch { get; init; }

    /// <summary>Points that measuring catches: x and y on the drawing (mm), x, y and z in space.</summary>
    public IReadOnlyList<SnapPart> Snaps { get; init; } = [];
}

/// <summary>A point to which the cursor snaps: in the drawing (px), in the world in words, and its name.</summary>
public sealed record SnapPart(double X, double Y, string World, string Name);

/// <summary>
/// A section on its drawing: origin and scale (mm, mm/m), the grid on which corners are set (m), what a metre is in the unit shown, its
/// symbol, and where drawn outlines go: the path of a section of
/// own outlines, or null for a new one of the name and path given.
/// </summary>
public sealed record PlaneMap(
    double X0,
    double Y0,
    double Scale,
    double Grid,
    double Unit,
    string Symbol,
    string? Path,
    string NewName,
    string NewPath
);

/// <summary>
/// A truss on its drawing: origin and scale (mm, mm/m), step of the grid (m), 0 for none, whether a press draws, the joints to
/// which it snaps, what a metre is in the unit shown and its symbol.
/// </summary>
public sealed record SketchMap(
    double X0,
    double Y0,
    double Scale,
    double Grid,
    bool Draws,
    bool Mirrors,
    double Middle,
    IReadOnlyList<SketchJoint> Joints,
    double Unit,
    string Symbol
);

/// <summary>A joint to which a drawn line snaps (m).</summary>
public sealed record SketchJoint(string Id, double X, double Z, bool IsFree);

/// <summary>How stations lie across a drawing: a place (px), its station, metres per px, and the drawing's width.</summary>
public sealed record StationMap(double X0, double Station0, double Scale, double Width);

/// <summary>A way of arranging the sheet.</summary>
public sealed record LayoutChoice(string Id, string Name, bool IsActive);

/// <summary>A table below the drawing. Rows may pick a part.</summary>
public sealed record DataTable(string Title, IReadOnlyList<TableColumn> Columns, IReadOnlyList<TableRow> Rows)
{
    /// <summary>Rows shown at once; more follow as they are scrolled to.</summary>
    public const int Window = 80;

    /// <summary>How many rows there are where not all are shown.</summary>
    public int Left { get; init; }

    /// <summary>Column by which it is sorted, from 1, negative for the greatest first.</summary>
    public int Sort { get; init; }

    /// <summary>Text that all rows hold.</summary>
    public string Filter { get; init; } = "";

    /// <summary>The table as a person wants to see it: rows that hold a text, sorted by a column, the first so many of them.</summary>
    public DataTable Seen(string filter, int sort, int most)
    {
        var wanted = filter.Trim();
        var rows = Rows.Where(r => r.Cells.Any(c => c.Contains(wanted, StringComparison.OrdinalIgnoreCase)));
        var column = Math.Abs(sort) - 1;
        if (column >= 0 && column < Columns.Count)
        {
            rows = rows.Order(Comparer<TableRow>.Create((a, b) => Math.Sign(sort) * Compare(a, b, column, Columns[column].IsNumber)));
        }
        var all = rows.ToList();
        var shown = Math.Max(most, all.FindIndex(r => r.IsPicked) + 1);
        return this with { Rows = [.. all.Take(shown)], Left = Math.Max(0, all.Count - shown), Sort = sort, Filter = filter };
    }

    private static int Compare(TableRow a, TableRow b, int column, bool isNumber) =>
        isNumber && column < Math.Min(a.Sort.Count, b.Sort.Count)
            ? Nullable.Compare(a.Sort[column], b.Sort[column])
            : string.Compare(a.Cells[column], b.Cells[column], StringComparison.OrdinalIgnoreCase);
}

/// <summary>A column: its heading, and whether it holds numbers.</summary>
public sealed record TableColumn(string Name, bool IsNumber);

/// <summary>Cells of a row as text, with values to sort by where they are numbers; a use is drawn as a bar.</summary>
public sealed record TableRow(IReadOnlyList<string> Cells, IReadOnlyList<double?> Sort, string? Pick, double? Use, bool IsPicked);

/// <summary>A control over the sheet: a named choice that becomes a parameter of the request.</summary>
public sealed record SheetControl(string Parameter, string Name, string Value, IReadOnlyList<Choice> Choices)
{
    /// <summary>Least and greatest factor of a slider, in place of choices.</summary>
    public double Least { get; init; }

    /// <summary>Greatest value of a slider.</summary>
    public double Greatest { get; init; }

    /// <summary>Whether it is moved rather than chosen.</summary>
    public bool IsSlider => Greatest > 0;

    /// <summary>Whether it is typed, in place of choices.</summary>
    public bool IsText { get; init; }

    /// <summary>Said where it is pointed at.</summary>
    public string Help { get; init; } = "";
}

/// <summary>
/// What is known of the checks: <c>passes</c>, <c>fails</c>, <c>plain</c> where nothing was checked, <c>none</c> where
/// nothing was analysed;
/// in words, with what is not checked, and whether it belongs to the bridge as it stands.
/// </summary>
public sealed record CheckState(string Status, string Words, string Help, bool IsCurrent);

/// <summary>What runs or has ended: <c>waiting</c>, <c>running</c>, <c>done</c>, <c>stopped</c> or <c>failed</c>.</summary>
public sealed record RunInfo(string Status, double Fraction, string Words, bool CanStop)
{
    /// <summary>Whether it waits or runs.</summary>
    public bool IsUnderWay => Status is "waiting" or "running";

    /// <summary>Whether it ended without results and can be begun again.</summary>
    public bool CanStart => Status is "stopped" or "failed";
}

/// <summary>Everything the screen shows; places tell by the beginning of a path to which step a value belongs.</summary>
public sealed record Workspace(
    string Name,
    int Revision,
    string LastEdit,
    bool CanUndo,
    bool CanRedo,
    string Units,
    double Station,
    string StationText,
    string Step,
    string? Pick,
    IReadOnlyList<StepState> Steps,
    IReadOnlyList<Finding> Findings,
    IReadOnlyList<LayoutChoice> Layouts,
    IReadOnlyList<SheetControl> Controls,
    IReadOnlyList<ViewPart> Views,
    ViewPart Band,
    DataTable? Table,
    Ledger Ledger,
    CheckState Checks,
    RunInfo Run,
    IReadOnlyList<double> AxisStations,
    IReadOnlyDictionary<string, string> Places
);
