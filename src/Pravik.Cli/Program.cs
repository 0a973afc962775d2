using System.CommandLine;
using Pravik.Cli;

var root = new RootCommand("Pravik: bridges, modelled, analysed and checked.");
root.Subcommands.Add(CheckCommand.Make());
root.Subcommands.Add(SheetsCommand.Make());
root.Subcommands.Add(SetoutCommand.Make());
root.Subcommands.Add(SchemaCommand.Make());
root.Subcommands.Add(FrameCommand.Make());
root.Subcommands.Add(SolveCommand.Make());
root.Subcommands.Add(ModelsCommand.Make());
return await root.Parse(args).InvokeAsync();
