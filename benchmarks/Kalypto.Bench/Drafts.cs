using System.Text;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Core.Reading;
using Kalypto.Drafts;
using Kalypto.Drawing.Workers;

namespace Kalypto.Bench;

/// <summary>How well the layers of a next draft are paired with those of the one before, on drafts of which the truth is known.</summary>
internal static class Drafts
{
    private const int Seeds = 12;

    public static async Task RunAsync(string demo, int seeds = Seeds, string only = "")
    {
        using var renderer = new WorkerRenderer(new() { Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"), Fonts = Path.Combine(demo, "fonts") });
        var sum = Judged.None;
        foreach (var (name, make) in Cases())
        {
            var here = Judged.None;
            foreach (var (source, svg) in KnownDrawings.All(demo))
            {
                if (!$"{name}|{source}".Contains(only, StringComparison.OrdinalIgnoreCase))
                {
                    continue;
                }
                for (var seed = 0; seed < seeds; seed++)
                {
                    var maker = new DraftMaker(svg, seed);
                    make(maker);
                    var (before, after) = (maker.Before, maker.After);
                    var (old, now) = (await MeasureAsync(renderer, before.Svg), await MeasureAsync(renderer, after.Svg));
                    var pairs = DraftPairs.Of(old, now);
                    var judged = Judged.Of(pairs, before.Keys, after.Keys);
                    here += judged;
                    if (only.Length > 0 && judged.Right < judged.There)
                    {
                        Console.WriteLine($"  {source} {seed}: {judged}");
                        foreach (var p in pairs.Pairs.Where(p => before.Keys[p.Old] != after.Keys[p.New]))
                        {
                            Console.WriteLine($"    wrong {p.Grade} {p.Reason}: {before.Keys[p.Old]} {old.Drawn.Layers[p.Old].Name} -> {after.Keys[p.New]} {now.Drawn.Layers[p.New].Name}");
                        }
                        var paired = pairs.Pairs.Select(p => p.Old).ToHashSet();
                        foreach (var o in Enumerable.Range(1, before.Keys.Length - 1).Where(o => !paired.Contains(o) && after.Keys.Contains(before.Keys[o])))
                        {
                            Console.WriteLine($"    missed{(pairs.Asked.Any(p => p.Old == o) ? " (asked)" : "")}: {before.Keys[o]} {old.Drawn.Layers[o].Content} {old.Drawn.Layers[o].Name}");
                        }
                    }
                }
            }
            if (here.There > 0)
            {
                Console.WriteLine($"  {name,-26} {here}");
            }
            sum += here;
        }
        double Share(int part) => 100.0 * part / sum.There;
        Report.Line($"next drafts: {sum.There} layers there, paired rightly, %", Report.Text(Share(sum.Right)), "> 99", Share(sum.Right) > 99);
        Report.Line("pairs that are wrong and not asked about, %", Report.Text(Share(sum.Wrong)), "< 0.1", Share(sum.Wrong) < 0.1);
        Report.Line("asked, %", Report.Text(Share(sum.Asked)), "< 2", Share(sum.Asked) < 2);
    }

    /// <summary>Two drafts of 5,000 layers, moved as a whole and with 40 edits: nothing is found at its old place.</summary>
    public static async Task LargeAsync(string demo)
    {
        using var renderer = new WorkerRenderer(new() { Program = Path.Combine(AppContext.BaseDirectory, "Kalypto.Worker"), Fonts = Path.Combine(demo, "fonts") });
        var maker = new DraftMaker(KnownDrawings.Large(), 1).Mix(40).Save(DraftMaker.Saving.IdsAndMoved);
        var (before, after) = (await MeasureAsync(renderer, maker.Before.Svg), await MeasureAsync(renderer, maker.After.Svg));
        var edited = await MeasureAsync(renderer, new DraftMaker(KnownDrawings.Large(), 1).Mix(40).After.Svg);
        var (time, other) = Report.Medians(3, () => DraftPairs.Of(before, after), () => DraftPairs.Of(before, edited));
        GC.Collect();
        var held = GC.GetTotalMemory(true);
        var most = 0L;
        using var ended = new CancellationTokenSource();
        var watch = Task.Run(() =>
        {
            while (!ended.IsCancellationRequested)
            {
                most = Math.Max(most, GC.GetTotalMemory(false));
                Thread.Sleep(5);
            }
        });
        DraftPairs.Of(before, after);
        await ended.CancelAsync();
        await watch;
        var memory = (most - held) / 1e6;
        Report.Line($"pairing moved {before.Drawn.Layers.Length} with {after.Drawn.Layers.Length} layers, s", Report.Text(time), "< 2", time < 2);
        Report.Line("the same with edits alone, s", Report.Text(other), "< 2", other < 2);
        Report.Line("memory of it, MB", Report.Text(memory), "< 300", memory < 300);
    }

    private static IEnumerable<(string Name, Action<DraftMaker> Make)> Cases() =>
    [
        .. Enum.GetValues<DraftMaker.Edit>().Select(e => ($"5 x {e}", (Action<DraftMaker>)(m => { for (var i = 0; i < 5; i++) { m.Do(e); } }))),
        .. Enum.GetValues<DraftMaker.Saving>().Select(s => ($"{s}", (Action<DraftMaker>)(m => m.Save(s)))),
        ("mix of 10", m => m.Mix(10)), ("mix of 40", m => m.Mix(40)),
        .. Enum.GetValues<DraftMaker.Saving>().Skip(1).Select(s => ($"mix of 20, {s}", (Action<DraftMaker>)(m => m.Mix(20).Save(s)))),
    ];

    private static async Task<MeasuredDrawing> MeasureAsync(WorkerRenderer renderer, string svg)
    {
        var drawing = DrawingReader.Read(Encoding.UTF8.GetBytes(svg), "Draft");
        return new(drawing, await renderer.MeasureAsync(drawing, null, default));
    }
}
