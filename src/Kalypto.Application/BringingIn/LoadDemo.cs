using Kalypto.Application.Building;
using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Platforms;
using Kalypto.Core.Styling;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Microsoft.Extensions.Logging;

namespace Kalypto.Application.BringingIn;

/// <summary>Brings in the demo: the visitor app and website of a small public observatory.</summary>
public sealed class LoadDemo(ProjectStore projects, BringIn bringIn, EditLayers edit, OpenProject open, PlanPack plans, BuildPack building, Deliveries deliveries, ILogger<LoadDemo> log)
{
    private const string Name = "Larkrise Observatory";
    // pt
    private const double SmallestBox = 40;
    private static readonly Actor Kalypto = Actor.Local("kalypto", "Kalypto");

    /// <summary>Loads it when there is no project at all, nor ever was one that is still kept.</summary>
    /// <returns>The project; null when it was not loaded.</returns>
    public async Task<int?> WhenEmptyAsync(string folder, CancellationToken cancel)
    {
        if ((await projects.CountsAsync(cancel)).Values.Sum() > 0)
        {
            return null;
        }
        var project = await projects.AddAsync(Name, AllPlatforms.Usual, Kalypto, cancel);
        foreach (var path in Directory.EnumerateFiles(folder, "*.svg").Order(StringComparer.Ordinal))
        {
            var name = Path.GetFileName(path);
            if (await bringIn.FileAsync(new(Kalypto, project), name, await File.ReadAllBytesAsync(path, cancel), name, cancel) is BroughtIn.Refused refused)
            {
                log.LogWarning("Demo: {File}: {Message}", refused.File, refused.Why.Message);
            }
        }
        await DecideSomeAsync(project, cancel);
        var workspace = (await open.LoadAsync(project, cancel))!;
        await plans.DrawAheadAsync(workspace, await plans.PlanAsync(workspace, cancel), DrawingQueue.Ahead, cancel);
        return project;
    }

    /// <summary>Delivers twice, with some more decided between, so that there is something to compare from the start.</summary>
    public async Task DeliverTwiceAsync(int project, CancellationToken cancel)
    {
        await BuildInCodeAsync(project, "Tonight", cancel);
        await DeliverAsync(project, "first icons, for the review", cancel);
        await SayAsync(project, ["clock", "pin", "price tag", "cloud-night"], mark => mark with { Decision = Decision.Ship, Tags = Tags.Parse("icon to:icons") }, cancel);
        await SayAsync(project, ["moon-phase"], mark => mark with { ShipName = "moon-tonight" }, cancel);
        await DeliverAsync(project, "four icons more; the moon has another name", cancel);
    }

    private async Task DeliverAsync(int project, string line, CancellationToken cancel)
    {
        var (build, refusal) = await building.StartAsync((await open.LoadAsync(project, cancel))!, new(), cancel, line, Kalypto);
        if (build is not { } id)
        {
            log.LogWarning("Demo: {Line} is not delivered: {Why}", line, refusal!.Reason);
            return;
        }
        await deliveries.EndedAsync(id, cancel);
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
            await SayAsync(project, names, change, cancel);
        }
    }

    /// <summary>The words and plain boxes of a screen are built in code, so that developers find their values in the handover.</summary>
    private async Task BuildInCodeAsync(int project, string screen, CancellationToken cancel)
    {
        var workspace = (await open.LoadAsync(project, cancel))!;
        foreach (var design in workspace.States)
        {
            foreach (var found in design.Measured.Drawing.Screens.Where(s => s.Name == screen))
            {
                var values = new ValuesReader(design, found);
                var layers = design.Measured.LayersOf(found).Where(l => l.Children.Count == 0 && !l.HiddenHere && Progress.CoveredBy(l, design.MarkOf) is null && design.MarkOf(l).Decision == Decision.Open
                    && (l.Content == LayerContent.Text || values.Of(l) is { Outline: null, Beyond.IsEmpty: true, Fill: not null, Box: { Width: >= SmallestBox, Height: >= SmallestBox } }));
                await edit.ChangeAsync(new(workspace, Kalypto), $"Demo: words and boxes of {screen}", [.. layers.Select(l => new LayerRef(design.Id, l.Ordinal))], mark => mark with { Decision = Decision.Code }, cancel);
            }
        }
    }

    private async Task SayAsync(int project, string[] names, Func<Mark, Mark> change, CancellationToken cancel)
    {
        var workspace = (await open.LoadAsync(project, cancel))!;
        var layers = workspace.States.SelectMany(d => d.Layers.Where(l => names.Contains(l.Name)).Select(l => new LayerRef(d.Id, l.Ordinal)));
        await edit.ChangeAsync(new(workspace, Kalypto), $"Demo: {string.Join(", ", names)}", layers, change, cancel);
    }
}
