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
        foreach (var (kind, cases) in new[] { ("all sorts", Cases(demo)), ("lists", Lists()), ("small drawings", Small(demo)), ("outlines", Outlines(demo)) })
        {
            var ofKind = Judged.None;
            foreach (var (name, makers) in cases)
            {
                var here = Judged.None;
                for (var seed = 0; seed < seeds; seed++)
                {
                    foreach (var (source, make) in makers(seed))
                    {
                        if (!$"{kind}|{name}|{source}".Contains(only, StringComparison.OrdinalIgnoreCase))
                        {
                            continue;
                        }
                        var (before, after) = await make(renderer);
                        here += await JudgeAsync(renderer, before, after, only.Length > 0 ? $"{source} {seed}" : null);
                    }
                }
                if (here.There > 0)
                {
                    Console.WriteLine($"  {name,-26} {here}");
                }
                ofKind += here;
            }
            if (ofKind.There > 0)
            {
                ReportOf(kind, ofKind);
            }
            sum += ofKind;
        }
        ReportOf("all together", sum);
    }

    private static void ReportOf(string kind, Judged sum)
    {
        double Share(int part) => 100.0 * part / sum.There;
        Report.Line($"next drafts, {kind}: {sum.There} layers there, paired rightly, %", Report.Text(Share(sum.Right)), "> 99", Share(sum.Right) > 99);
        Report.Line("pairs that are wrong and not asked about, %", Report.Text(Share(sum.Wrong)), "< 0.1", Share(sum.Wrong) < 0.1);
        Report.Line("asked, %", Report.Text(Share(sum.Asked)), "< 2", Share(sum.Asked) < 2);
    }

    private static async Task<Judged> JudgeAsync(WorkerRenderer renderer, Draft before, Draft after, string? told)
    {
        var (old, now) = (await MeasureAsync(renderer, before.Svg), await MeasureAsync(renderer, after.Svg));
        var pairs = DraftPairs.Of(old, now);
        var judged = Judged.Of(pairs, before.Keys, after.Keys);
        if (told is not null && (judged.Right < judged.There || judged.Wrong > 0))
        {
            Console.WriteLine($"  {told}: {judged}");
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
        return judged;
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
        var four = new DraftMaker(KnownDrawings.Large(4), 1).Save(DraftMaker.Saving.IdsAndMoved);
        var (boards, moved) = (await MeasureAsync(renderer, four.Before.Svg), await MeasureAsync(renderer, four.After.Svg));
        var began = Environment.CpuUsage.TotalTime;
        DraftPairs.Of(boards, moved);
        var used = (Environment.CpuUsage.TotalTime - began).TotalSeconds;
        Report.Line($"pairing moved {boards.Drawn.Layers.Length} layers, s of processor", Report.Text(used), "< 8", used < 8);
        Report.Line("memory of it, MB", Report.Text(memory), "< 300", memory < 300);
    }

    private readonly record struct Draft(string Svg, string[] Keys)
    {
        public static implicit operator Draft((string Svg, string[] Keys) draft) => new(draft.Svg, draft.Keys);
    }

    // Of each seed the drawings with what makes both drafts of them.
    private delegate IEnumerable<(string Source, Func<WorkerRenderer, Task<(Draft Before, Draft After)>> Make)> Makers(int seed);

    private static IEnumerable<(string Name, Makers Makers)> Cases(string demo)
    {
        var drawings = KnownDrawings.All(demo).ToList();
        return Changes().Select(c => (c.Name, new Makers(seed => drawings.Select(d => (d.Name, Made(d.Svg, seed, c.Make))))));
    }

    private static IEnumerable<(string Name, Makers Makers)> Small(string demo) =>
        Changes(1, 1, 1, 2).Select(c => (c.Name, new Makers(seed => KnownDrawings.Small(demo, seed).Select(d => (d.Name, Made(d.Svg, seed, c.Make))))));

    private static IEnumerable<(string Name, Makers Makers)> Lists() => Enum.GetValues<ListDrawing.Edit>().Select(edit => ($"{edit}", new Makers(seed => Enumerable.Range(0, 4).Select(i =>
    {
        var list = new ListDrawing(edit, seed * 4 + i);
        return ($"{list}", new Func<WorkerRenderer, Task<(Draft, Draft)>>(_ => Task.FromResult<(Draft, Draft)>((list.Before, list.After))));
    }))));

    private static IEnumerable<(string Name, Makers Makers)> Outlines(string demo)
    {
        var drawings = KnownDrawings.All(demo).ToList();
        return Enumerable.Range(0, 2).Select(k => k == 0).Select(keeps => ($"texts to outlines, names {(keeps ? "kept" : "gone")}", new Makers(seed => drawings.Select(d => (d.Name, new Func<WorkerRenderer, Task<(Draft, Draft)>>(async renderer =>
        {
            var maker = new DraftMaker(d.Svg, seed);
            maker.Outline((await MeasureAsync(renderer, maker.Before.Svg)).Shapes, keeps).Mix(seed % 3 * 5);
            return (maker.Before, maker.After);
        }))))));
    }

    private static Func<WorkerRenderer, Task<(Draft Before, Draft After)>> Made(string svg, int seed, Action<DraftMaker> make) => _ =>
    {
        var maker = new DraftMaker(svg, seed);
        make(maker);
        return Task.FromResult<(Draft, Draft)>((maker.Before, maker.After));
    };

    private static IEnumerable<(string Name, Action<DraftMaker> Make)> Changes(int times = 5, int few = 10, int some = 20, int many = 40) =>
    [
        .. Enum.GetValues<DraftMaker.Edit>().Select(e => ($"{times} x {e}", (Action<DraftMaker>)(m => { for (var i = 0; i < times; i++) { m.Do(e); } }))),
        .. Enum.GetValues<DraftMaker.Saving>().Select(s => ($"{s}", (Action<DraftMaker>)(m => m.Save(s)))),
        ($"mix of {few}", m => m.Mix(few)), ($"mix of {many}", m => m.Mix(many)),
        .. Enum.GetValues<DraftMaker.Saving>().Skip(1).Select(s => ($"mix of {some}, {s}", (Action<DraftMaker>)(m => m.Mix(some).Save(s)))),
    ];

    private static async Task<MeasuredDrawing> MeasureAsync(WorkerRenderer renderer, string svg)
    {
        var drawing = DrawingReader.Read(Encoding.UTF8.GetBytes(svg), "Draft");
        return new(drawing, await renderer.MeasureAsync(drawing, null, default));
    }
}
