using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using Pravik.Bench;

// edits (usual): the warm server as a person meets it. roads: a long road with its ground. parts: the pieces of the computation under BenchmarkDotNet.
if (args is ["parts", ..]) BenchmarkRunner.Run<PartsBench>(ManualConfig.Create(DefaultConfig.Instance).AddJob(Job.ShortRun));
else if (args is ["roads", ..]) Roads.Measure();
else await ServerEdits.MeasureAsync();
