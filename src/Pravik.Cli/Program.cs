using System.Diagnostics;
using Pravik.Core.Design;
using Pravik.Exchange;
var sw = Stopwatch.StartNew();
var reading = BridgeJson.Read(File.ReadAllText(args[0]));
foreach (var f in reading.Findings) Console.WriteLine(f);
if (reading.Bridge is null) return 2;
for (var i = 0; i < 5; i++) { sw.Restart(); BridgeRun.Run(reading.Bridge); Console.WriteLine(sw.ElapsedMilliseconds); }
var r = BridgeRun.Run(reading.Bridge);
Console.WriteLine(r.Model);
foreach (var b in r.Model.Balance) Console.WriteLine(b);
foreach (var (p, o) in r.GoverningByGirder()) Console.WriteLine($"G{p.Point.Girder + 1} span {p.Point.Span + 1} k {p.Point.Number} {o.Bending} {o.Effect / 1e3:0} {o.Resistance / 1e3:0} {o.Utilisation:0.000}");
var g = r.Governing; Console.WriteLine(g.Moment.Permanent); Console.WriteLine(g.Moment.Traffic.Max); foreach (var l in g.Moment.Traffic.Max.Lanes) Console.WriteLine(l);
return 0;
