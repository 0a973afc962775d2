using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using Pravik.Bench;

// edits (usual): the warm server as a person meets it. people: fifty who edit at once. roads: a long road with its ground. shells: the
// sparse solver on slabs. models: the demo by all models. members: members alone. traffic: traffic models on every effect.
// --matrices DIR: the matrices of those, for other solvers. parts: the pieces of the computation under BenchmarkDotNet. extremes: every
// number of the examples at and beyond its bounds.
if (args is ["parts", ..])
    BenchmarkRunner.Run<PartsBench>(ManualConfig.Create(DefaultConfig.Instance).AddJob(Job.ShortRun));
else if (args is ["roads", ..])
    Roads.Measure();
else if (args is ["shells", ..])
    Shells.Measure();
else if (args is ["models", ..])
    Models.Measure();
else if (args is ["members", ..])
    LoneTimes.Measure();
else if (args is ["trusses", ..])
    TrussTimes.Measure();
else if (args is ["traffic", ..])
    TrafficTimes.Measure();
else if (args is ["people", ..])
    await People.MeasureAsync();
else if (args is ["extremes", ..])
    return Extremes.Try() ? 0 : 1;
else if (args is ["--matrices", var folder])
    Shells.WriteMatrices(folder);
else
    await ServerEdits.MeasureAsync();
return 0;
