// Sends mutated drawings through reading, export and drawing: Kalypto.Fuzz DEMO SECONDS SEED [MOST FILES].
using System.Diagnostics;
using System.Globalization;
using Kalypto.Drawing.Workers;
using Kalypto.Fuzz;

var (demo, seconds, seed) = (args[0], double.Parse(args[1], CultureInfo.InvariantCulture), int.Parse(args[2], CultureInfo.InvariantCulture));
var most = args.Length > 3 ? int.Parse(args[3], CultureInfo.InvariantCulture) : int.MaxValue;
List<byte[]> corpus = [.. Directory.EnumerateFiles(demo, "*.svg").Concat(Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "corpus"))).Order(StringComparer.Ordinal).Select(File.ReadAllBytes)];
var options = new WorkerOptions { Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"), Fonts = Path.GetFullPath(Path.Combine(demo, "fonts")), TimeLimit = TimeSpan.FromSeconds(2) };
using var reader = new WorkerReader(options.ForReading(TimeSpan.FromSeconds(4)));
using var renderer = new WorkerRenderer(options);
long Resident() => Process.GetCurrentProcess().WorkingSet64 / 1_000_000;

var start = Stopwatch.GetTimestamp();
_ = await new Run(reader, renderer).RunAsync(new(corpus, 0), files => files < 20, default);
var before = Resident();
var outcome = await new Run(reader, renderer).RunAsync(new(corpus, seed), files => files < most && Stopwatch.GetElapsedTime(start).TotalSeconds < seconds, default);
GC.Collect(2, GCCollectionMode.Aggressive, blocking: true, compacting: true);
Console.WriteLine($"{outcome.Files} files of seed {seed}: {outcome.Read} read, {outcome.Files - outcome.Read} refused, slowest {outcome.Slowest.TotalSeconds:0.0} s, memory {Resident() - before:+0;-0;0} MB, {outcome.Bad.Count} bad");
foreach (var (i, (what, file)) in outcome.Bad.Index())
{
    var path = Path.Combine(Path.GetTempPath(), $"kalypto-fuzz-{seed}-{i}.svg");
    File.WriteAllBytes(path, file);
    Console.WriteLine($"  {what}\n    kept as {path}");
}
return outcome.Bad.Count == 0 ? 0 : 1;
