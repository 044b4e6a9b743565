using System.Text;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Web.Tests;

/// <summary>Projects put together without a server, a database or a renderer.</summary>
internal static class Projects
{
    public static readonly Box Shape = new(10, 10, 24, 24);

    /// <summary>A project of drawings, each with what is said of its layers: <c>Ship icon to:nav</c>.</summary>
    public static Workspace Of(RecipeBook? book, string[] platforms, params (string Name, string Inside, (string Layer, string Says)[] Marks)[] designs)
    {
        var recipes = book ?? RecipeBook.Usual;
        var project = new ProjectRow(7, "Larkrise", platforms, RecipeBookJson.Write(recipes));
        var states = designs.Select((d, i) =>
        {
            var drawing = SvgReader.Read(Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 100 100'>{d.Inside}</svg>"), d.Name);
            var marks = d.Marks.ToDictionary(m => drawing.Layers.First(l => l.Name == m.Layer).Ordinal, m => m.Says.Split(' ', 2) is [var decision, .. var tags]
                ? new Mark(Enum.Parse<Decision>(decision), null, Tags.Parse(string.Join(' ', tags))) : Mark.None);
            var row = new DesignRow(i + 1, 7, d.Name, 1, 10 + i, 1, "", "");
            return (row, new DesignState(row.Id, row.Name, 1, new(drawing, [.. drawing.Layers.Select(_ => (Box?)Shape)]), marks) { Recipes = recipes });
        }).ToList();
        return new(project, states, [.. AllPlatforms.List.Where(p => platforms.Contains(p.Id))], new([.. states.Select(s => (s.row.Id, s.Item2.Measured))]));
    }

    /// <summary>Its pack, with the files whose paths are told drawn, of so many bytes each.</summary>
    public static PlannedPack Plan(Workspace workspace, Func<string, long?>? drawn = null)
    {
        var planner = new PackPlanner(new("engine"), _ => new Look(Shape, null));
        var pack = planner.Plan(workspace.States, workspace.Platforms);
        var rows = pack.Files.Where(f => drawn?.Invoke(f.Path) is not null).DistinctBy(f => f.Key)
            .ToDictionary(f => f.Key.Hex, f => new DrawingRow(f.Key.Hex, new string('a', 64), drawn!(f.Path)!.Value, null, null));
        return new(pack, planner, rows, _ => new Look(Shape, null));
    }
}
