namespace Pravik.Web.Workspaces;

/// <summary>The query of a workspace request; what is missing has its default.</summary>
public sealed record WorkspaceQuery
{
    /// <summary>Least width of a drawing (px), and least height of the sheet: drawings and their captions need so much room.</summary>
    private const double LeastWidth = 200;
    private const double LeastHeight = 400;
    private const double MostRoom = 6000;

#pragma warning disable CS1591 // Described where WorkspaceRequest has them.
    public string? Step { get; init; }
    public string? Layout { get; init; }
    public double? Station { get; init; }
    public string? Pick { get; init; }
    public int? Girder { get; init; }
    public double? Width { get; init; }
    public double? Height { get; init; }
    public double? BandWidth { get; init; }
    public string? Show { get; init; }
    public string? Quantity { get; init; }
    public string? Girders { get; init; }
    public string? Arrange { get; init; }
    public string? Fixed { get; init; }
    public double? Zoom { get; init; }
    public string? Table { get; init; }
    public string? With { get; init; }
    public string? Drawn { get; init; }
    public string? Look { get; init; }
    public string? Names { get; init; }
    public string? Motion { get; init; }
    public string? Load { get; init; }
    public string? Traffic { get; init; }
    public int? Lanes { get; init; }
    public string? Side { get; init; }
    public string? Along { get; init; }
    public string? Place { get; init; }
    public int? Stage { get; init; }
    public int? Sort { get; init; }
    public string? Filter { get; init; }
    public int? Rows { get; init; }
    public string? Drawer { get; init; }
#pragma warning restore CS1591

    /// <summary>The request, with what is missing as usual.</summary>
    public WorkspaceRequest ToRequest()
    {
        var usual = new WorkspaceRequest();
        return Fit(
            usual with
            {
                Step = Step ?? usual.Step,
                Layout = Layout,
                Station = Station,
                Pick = Pick,
                Girder = Girder ?? usual.Girder,
                Show = Show ?? usual.Show,
                Quantity = Quantity ?? usual.Quantity,
                Girders = Girders ?? usual.Girders,
                Arrange = Arrange ?? usual.Arrange,
                Fixed = Fixed ?? usual.Fixed,
                Zoom = Zoom is { } z && double.IsFinite(z) ? Math.Clamp(z, 0.05, 50) : usual.Zoom,
                Table = Table ?? usual.Table,
                With = With ?? usual.With,
                Drawn = Drawn ?? usual.Drawn,
                Look = Look ?? usual.Look,
                Names = Names ?? usual.Names,
                Motion = Motion ?? usual.Motion,
                Load = Load ?? usual.Load,
                Traffic = Traffic ?? usual.Traffic,
                Lanes = Math.Clamp(Lanes ?? usual.Lanes, 1, 99),
                Side = Side ?? usual.Side,
                Along = Along ?? usual.Along,
                Place = Place ?? usual.Place,
                Stage = Stage ?? usual.Stage,
                Sort = Math.Clamp(Sort ?? 0, -99, 99),
                Filter = Filter ?? "",
                Rows = Math.Clamp(Rows ?? usual.Rows, 1, 100_000),
                Drawer = Drawer ?? "",
            }
        );
    }

    /// <summary>A request with the room that is asked for, within bounds.</summary>
    public WorkspaceRequest Fit(WorkspaceRequest request)
    {
        static double Room(double? asked, double otherwise, double least) =>
            asked is { } a && double.IsFinite(a) ? Math.Clamp(a, least, MostRoom) : otherwise;
        return request with
        {
            Width = Room(Width, request.Width, LeastWidth),
            Height = Room(Height, request.Height, LeastHeight),
            BandWidth = Room(BandWidth, request.BandWidth, LeastWidth),
        };
    }
}
