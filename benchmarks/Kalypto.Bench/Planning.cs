using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Bench;

/// <summary>Planning a pack of 5,000 files and tagging 500 of 5,000 layers.</summary>
internal static class Planning
{
    public static void Run()
    {
        var drawing = SvgReader.Read(Reading.File(), "Drawing");
        var measured = new MeasuredDrawing(drawing, [.. drawing.Layers.Select(_ => (Box?)new Box(0, 0, 24, 24))]);
        var groups = drawing.Layers.Where(l => l.Depth == 1).Take(417).ToList();
        var marks = groups.ToDictionary(l => l.Ordinal, _ => new Mark(Decision.Ship, null, Tags.Parse("icon to:icons")));
        var state = new DesignState(1, "Drawing", 1, measured, marks);
        var planner = new PackPlanner(new("engine"), _ => new Look(new Box(0, 0, 24, 24), null));
        var files = 0;
        var line = TagLine.Parse("icon to:icons scale:1x,2x");
        var (plan, tag) = Report.Medians(9,
            () => files = planner.Plan([state], AllPlatforms.List).Files.Length,
            () => _ = Enumerable.Range(0, 500).Select(i => line.ApplyTo(marks.Values.ElementAt(i % marks.Count).Tags)).ToList());
        Report.Line($"planning {files} files of 5,000 layers, ms", Report.Text(plan * 1000), "< 50", plan < 0.05);
        Report.Line("tagging 500 layers in the core, ms", Report.Text(tag * 1000), "< 100", tag < 0.1);
    }
}
