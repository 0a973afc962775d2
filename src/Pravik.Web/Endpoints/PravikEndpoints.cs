namespace Pravik.Web.Endpoints;

/// <summary>The interface for programs, used by the screen too: a file for each resource.</summary>
public static class PravikEndpoints
{
    /// <summary>Maps all addresses of the interface.</summary>
    public static void MapPravik(this WebApplication app)
    {
        var (bridges, bridge) = (app.MapGroup("/api/bridges"), app.MapGroup("/api/bridges/{id}"));
        EditEndpoints.Map(bridges, bridge);
        HistoryEndpoints.Map(bridge);
        WorkspaceEndpoints.Map(bridge);
        RunEndpoints.Map(bridge);
        FileEndpoints.Map(bridge);
        LibraryEndpoints.Map(app, bridge);
        MemberEndpoints.Map(app);
        TrussEndpoints.Map(app);
    }
}
