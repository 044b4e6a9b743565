using System.Text;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;

namespace Kalypto.Bench;

/// <summary>Planning anew after an edit in one of 300 designs, beside planning all of them for the first time.</summary>
internal static class ManyDesigns
{
    private const int Designs = 300;

    public static void Run()
    {
        var states = Enumerable.Range(0, Designs).Select(State).ToList();
        var platforms = AllPlatforms.List.Take(3).ToList();
        var turn = 0;
        PackPlanner New() => new(new("engine"), _ => new Look(new Box(0, 0, 24, 24), null));
        var planner = New();
        var files = 0;
        var (first, again) = Report.Medians(61,
            () => files = New().Plan([.. states.Select(s => s with { Name = s.Name })], platforms).Files.Length,
            () =>
            {
                states[7] = states[7] with { Marks = new Dictionary<int, Mark>(states[7].Marks) { [3] = new(++turn % 2 == 0 ? Decision.Code : Decision.Leave, null, Core.Tagging.Tags.Empty) } };
                planner.Plan(states, platforms);
            });
        Report.Line($"planning {files} files of {Designs} designs, ms", Report.Text(first * 1000), "", true);
        Report.Line("planning them again after an edit in one, ms", Report.Text(again * 1000), "< 20", again < 0.02);
    }

    private static DesignState State(int number)
    {
        var drawing = SvgReader.Read(Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 400 400'>{string.Concat(Enumerable.Range(0, 10)
            .Select(i => $"<rect id='part{i}' x='{i * 30}' y='{number}' width='{20 + i}' height='{10 + number % 7}'/>"))}</svg>"), $"board {number}");
        var measured = new MeasuredDrawing(drawing, [.. drawing.Layers.Select(_ => (Box?)new Box(0, 0, 24, 24))]);
        return new(number + 1, $"board {number}", 1, measured, new Dictionary<int, Mark> { [2] = new(Decision.Ship, null, Core.Tagging.Tags.Empty) });
    }
}
