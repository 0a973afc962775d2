using Pravik.Web.Workspaces;

namespace Pravik.Web.Endpoints;

/// <summary>The query of a workspace request; what is missing has its default.</summary>
public sealed record WorkspaceQuery(
    string? Step,
    string? Layout,
    double? Station,
    string? Pick,
    int? Girder,
    double? Width,
    double? Height,
    double? BandWidth,
    string? Show,
    string? Quantity,
    string? Girders,
    string? Arrange,
    string? Fixed,
    double? Zoom,
    string? Table,
    string? With,
    string? Drawn,
    string? Look,
    string? Names,
    string? Motion,
    string? Load,
    int? Stage
)
{
    /// <summary>The request, with what is missing as usual.</summary>
    public WorkspaceRequest ToRequest()
    {
        var usual = new WorkspaceRequest();
        // Drawings and their captions need so much room at least.
        double Room(double? asked, double otherwise, double least = 200) =>
            asked is { } a && double.IsFinite(a) ? Math.Clamp(a, least, 6000) : otherwise;
        return usual with
        {
            Step = Step ?? usual.Step,
            Layout = Layout,
            Station = Station,
            Pick = Pick,
            Girder = Girder ?? usual.Girder,
            Width = Room(Width, usual.Width),
            Height = Room(Height, usual.Height, 400),
            BandWidth = Room(BandWidth, usual.BandWidth),
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
            Stage = Stage ?? usual.Stage,
        };
    }
}
