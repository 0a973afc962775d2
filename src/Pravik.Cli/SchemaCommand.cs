using System.CommandLine;
using Pravik.Exchange;

namespace Pravik.Cli;

/// <summary><c>schema [bridge|member]</c>: prints the JSON Schema of a format, from which those in docs/ are made.</summary>
internal static class SchemaCommand
{
    public static Command Make()
    {
        var kind = new Argument<string>("KIND") { DefaultValueFactory = _ => "bridge", Description = "bridge or member." };
        kind.AcceptOnlyFromAmong("bridge", "member");
        var command = new Command("schema", "Print the JSON Schema of the bridge or the member file format.") { kind };
        command.SetAction(parsed => Console.Write(parsed.GetValue(kind) == "member" ? MemberJson.Schema() : BridgeJson.Schema()));
        return command;
    }
}
