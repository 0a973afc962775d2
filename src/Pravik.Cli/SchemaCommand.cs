using System.CommandLine;
using Pravik.Exchange;

namespace Pravik.Cli;

/// <summary><c>schema</c>: prints the JSON Schema of the bridge format, from which docs/bridge.schema.json is made.</summary>
internal static class SchemaCommand
{
    public static Command Make()
    {
        var command = new Command("schema", "Print the JSON Schema of the bridge file format.");
        command.SetAction(_ => Console.Write(BridgeJson.Schema()));
        return command;
    }
}
