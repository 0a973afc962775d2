using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Data.Sqlite;
using Pravik.Core.Findings;
using Pravik.Data;
using Pravik.Web.Endpoints;

namespace Pravik.Web.Safety;

/// <summary>What is answered where something went wrong: JSON by the interface, a page to people.</summary>
internal static class Faults
{
    private const string Unknown = "A fault in the program. What is saved is still there.";

    /// <summary>Errors of the interface become words in its own form.</summary>
    public static async Task Tell(HttpContext context, RequestDelegate next)
    {
        try
        {
            await next(context);
        }
        catch (Exception problem) when (context.Request.Path.StartsWithSegments("/api") && !context.Response.HasStarted)
        {
            if (problem is OperationCanceledException && context.RequestAborted.IsCancellationRequested)
                return;
            var (status, words) = Of(problem);
            if (status == 500)
                context.RequestServices.GetRequiredService<ILogger<Program>>().LogError(problem, "{Path}", context.Request.Path);
            await AnswerAsync(context, status, words);
            return;
        }
        if (
            context.Request.Path.StartsWithSegments("/api")
            && context.Response is { HasStarted: false, StatusCode: >= 400, ContentLength: null, ContentType: null }
        )
            await AnswerAsync(context, context.Response.StatusCode, Words(context.Response.StatusCode));
    }

    /// <summary>Heading and words of a page about an error.</summary>
    public static (string Heading, string Words) Page(string code, IExceptionHandlerFeature? fault) =>
        (code, fault?.Error) switch
        {
            (_, UnreadableBridgeException damaged) => ("This bridge cannot be read", damaged.Message),
            ("404", _) => ("Nothing is here", "There is no bridge or page of that name. It may have been typed wrongly."),
            (_, { } unwritable) when IsUnwritable(unwritable) => ("This could not be saved", Words(507)),
            ("413", _) => ("Too large", Words(413)),
            ("403", _) => ("Not from here", Words(403)),
            ("fault", _) => (
                "A fault in the program",
                "What you asked for could not be done. Everything saved is still there; go back and try again."
            ),
            _ => ("That could not be done", $"The request was not understood (code {code}). Nothing was changed."),
        };

    private static (int Status, string Words) Of(Exception problem) =>
        problem switch
        {
            BadHttpRequestException bad => (bad.StatusCode, Words(bad.StatusCode)),
            UnreadableBridgeException => (500, problem.Message),
            _ when IsUnwritable(problem) => (507, Words(507)),
            _ => (500, Unknown),
        };

    /// <summary>Whether the database could not be written for want of room or of the right to.</summary>
    private static bool IsUnwritable(Exception problem)
    {
        const int full = 13,
            fault = 10,
            readOnly = 8;
        return (problem as SqliteException ?? problem.InnerException as SqliteException)?.SqliteErrorCode is full or fault or readOnly;
    }

    private static string Words(int status) =>
        status switch
        {
            400 => "The request was not understood: a value in its address or body is of the wrong kind. Nothing was changed.",
            403 => "This is not allowed from here. Nothing was changed.",
            404 => "There is nothing at this address.",
            405 => "This address does not take that kind of request.",
            413 => "What was sent is larger than a bridge can be. Nothing was changed.",
            507 => "The data folder cannot be written: its disk is full, or it is read-only. Nothing was changed.",
            415 => "What was sent is not of a kind that is taken here. Nothing was changed.",
            _ => $"The request could not be done (code {status}). Nothing was changed.",
        };

    private static Task AnswerAsync(HttpContext context, int status, string words)
    {
        context.Response.Clear();
        context.Response.StatusCode = status;
        return context.Response.WriteAsJsonAsync(new Refusal([Finding.Error("", words)], []));
    }
}
