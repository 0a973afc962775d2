using System.CommandLine;
using Pravik.Exchange;

namespace Pravik.Cli;

/// <summary><c>schema [bridge|member|truss]</c>: prints the JSON Schema of a format, from which those in docs/ are made.</summary>
internal static class SchemaCommand
{
    public static Command Make()
    {
        var kind = new Argument<string>("KIND") { DefaultValueFactory = _ => "bridge", Description = "bridge, member or truss." };
        kind.AcceptOnlyFromAmong("bridge", "member", "truss");
        var command = new Command("schema", "Print the JSON Schema of a file format.") { kind };
        command.SetAction(parsed =>
            Console.Write(
                parsed.GetValue(kind) switch
                {
                    "member" => Formats.Member.Schema(),
                    "truss" => Formats.Truss.Schema(),
                    _ => BridgeJson.Schema(),
                }
            )
        );
        return command;
    }
}
