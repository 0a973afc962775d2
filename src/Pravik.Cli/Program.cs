using System.CommandLine;
using Pravik.Cli;

var root = new RootCommand("Pravik: bridges, modelled, analysed and checked.");
root.Subcommands.Add(CheckCommand.Make());
root.Subcommands.Add(MemberCommand.Make());
root.Subcommands.Add(TrussCommand.Make());
root.Subcommands.Add(SheetsCommand.Make());
root.Subcommands.Add(SetoutCommand.Make());
root.Subcommands.Add(SchemaCommand.Make());
root.Subcommands.Add(FrameCommand.Make());
root.Subcommands.Add(SolveCommand.Make());
root.Subcommands.Add(ModelsCommand.Make());
root.Subcommands.Add(TrafficCommand.Make());
root.Subcommands.Add(BackupCommand.Make());
root.Subcommands.Add(BackupCommand.MakeRestore());
root.Subcommands.Add(TidyCommand.Make());
var parsed = root.Parse(args);
if (parsed.Errors.Count > 0)
{
    Console.Error.WriteLine($"pravik: {parsed.Errors[0].Message} See --help.");
    return Exit.BadInput;
}
try
{
    return await parsed.InvokeAsync(new() { EnableDefaultExceptionHandler = false });
}
catch (Exception fault)
{
    // A fault is one line and a status of its own, never that of a check that fails.
    Console.Error.WriteLine($"pravik: a fault in the program: {fault.GetType().Name}: {fault.Message.ReplaceLineEndings(" ")}");
    return Exit.BadInput;
}
