using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Web.UseCases;

/// <summary>Brings in the demo: the visitor app and website of a small public observatory.</summary>
public sealed class LoadDemo(ProjectStore projects, BringIn bringIn, EditLayers edit, OpenProject open, ILogger<LoadDemo> log)
{
    private const string Name = "Larkrise Observatory";

    /// <summary>Loads it when there is no project at all.</summary>
    public async Task WhenEmptyAsync(string folder, CancellationToken cancel)
    {
        if ((await projects.ListAsync(cancel)).Count > 0)
        {
            return;
        }
        var project = await bringIn.NewProjectAsync(Name, cancel);
        foreach (var path in Directory.EnumerateFiles(folder, "*.svg").Order(StringComparer.Ordinal))
        {
            var result = await bringIn.FileAsync(project, Path.GetFileName(path), await File.ReadAllBytesAsync(path, cancel), cancel);
            if (result.Design is null)
            {
                log.LogWarning("Demo: {Message}", result.Message);
            }
        }
        await DecideSomeAsync(project, cancel);
        var workspace = (await open.LoadAsync(project, cancel))!;
        await open.DrawAheadAsync(workspace, await open.PlanAsync(workspace, cancel), DrawingQueue.Ahead, cancel);
    }

    /// <summary>A start that shows what decisions look like: some of the first screen is decided, the rest is open.</summary>
    private async Task DecideSomeAsync(int project, CancellationToken cancel)
    {
        foreach (var (names, change) in new (string[], Func<Mark, Mark>)[]
        {
            (["bell", "moon-phase", "book-button"], mark => mark with { Decision = Decision.Ship }),
            (["status-bar", "page-title"], mark => mark with { Decision = Decision.Code }),
            (["layout grid"], mark => mark with { Decision = Decision.Leave }),
            (["bell"], mark => mark with { Tags = Tags.Parse("icon to:icons") }),
            (["book-button"], mark => mark with { Tags = Tags.Parse("button") }),
        })
        {
            var workspace = (await open.LoadAsync(project, cancel))!;
            var layers = workspace.States.SelectMany(d => d.Layers.Where(l => names.Contains(l.Name)).Select(l => new LayerRef(d.Id, l.Ordinal)));
            await edit.ChangeAsync(workspace, "Kalypto", $"Demo: {string.Join(", ", names)}", layers, change, cancel);
        }
    }
}
