using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Suggesting;
using Kalypto.Store;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>What sorts many layers at once: combinations, rules, suggestions, new names, fixes.</summary>
internal static class SortingEndpoints
{
    private sealed record ByRule(int Design, int Screen, string? Since, int[]? Layers, string Rule) : BenchPlace(Design, Screen, Since, Layers);

    private sealed record Accept(int Design, int Screen, string? Since, int[]? Layers, string? Kind, int? AtLeast) : BenchPlace(Design, Screen, Since, Layers);

    private sealed record Rename(int Design, int Screen, string? Since, int[]? Layers, string Find, string Replace, bool IsExpression, NameStyle Style, int Start, bool Suggest)
        : BenchPlace(Design, Screen, Since, Layers);

    private sealed record FixWish(int Design, int Screen, string? Since, int[]? Layers, string Check, int? Layer, bool Everywhere) : BenchPlace(Design, Screen, Since, Layers);

    public static void MapSorting(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects/{project:int}");
        api.MapPost("/combine", (int project, BenchPlace place, HttpContext http, Bench bench, ArrangeLayers arrange, CancellationToken cancel) =>
            bench.EditAsync(project, place, async (workspace, layers) =>
            {
                var made = await arrange.CombineAsync(workspace, Bench.Who(http), place.Design, [.. layers.Select(l => l.Ordinal)], Mark.None, cancel);
                return new($"{layers.Count} layers are one now; it needs a name (N) and a decision", Pick: [made]);
            }, cancel));
        api.MapPost("/take-apart", (int project, BenchPlace place, HttpContext http, Bench bench, ArrangeLayers arrange, CancellationToken cancel) =>
            bench.EditAsync(project, place, async (workspace, layers) =>
            {
                await arrange.TakeApartAsync(workspace, Bench.Who(http), place.Design, [.. layers.Select(l => l.Ordinal)], cancel);
                return new("Taken apart", Pick: []);
            }, cancel));
        api.MapPost("/rule", (int project, ByRule wish, HttpContext http, Bench bench, EditLayers edit, CancellationToken cancel) =>
            bench.EditAsync(project, wish, (workspace, _) => DecideByRuleAsync(workspace, wish, Bench.Who(http), edit, cancel), cancel, needsLayers: false));
        api.MapPost("/accept", (int project, Accept wish, HttpContext http, Bench bench, ArrangeLayers arrange, CancellationToken cancel) =>
            bench.EditAsync(project, wish, (workspace, layers) => AcceptAsync(workspace, layers, wish, Bench.Who(http), arrange, cancel), cancel, needsLayers: false));
        api.MapPost("/rename/preview", async (int project, Rename wish, OpenProject open, CancellationToken cancel) =>
            await open.LoadAsync(project, cancel) is { } workspace
                ? Results.Ok(await RenamePreview.OfAsync(open, workspace, Names(workspace, wish), MistakeOf(wish), cancel)) : Results.NotFound());
        api.MapPost("/rename", (int project, Rename wish, HttpContext http, Bench bench, EditLayers edit, CancellationToken cancel) =>
            bench.EditAsync(project, wish, async (workspace, layers) =>
            {
                if (MistakeOf(wish) is { } mistake)
                {
                    return new(Mistakes: [mistake]);
                }
                var names = Names(workspace, wish).Where(n => n.Value.Length > 0 && n.Value != NameOf(workspace, n.Key)).ToDictionary();
                await edit.NameAllAsync(workspace, Bench.Who(http), names, cancel);
                return new($"{Words.Count(names.Count, "layer")} renamed");
            }, cancel));
        api.MapPost("/fix", (int project, FixWish wish, HttpContext http, Bench bench, FixFindings fix, CancellationToken cancel) =>
            bench.EditAsync(project, wish, async (workspace, _) => new(await fix.RunAsync(workspace, Bench.Who(http), wish.Check,
                f => wish.Everywhere || (f.Layer.Design == wish.Design && (wish.Layer is null ? IsOn(workspace, f, wish.Screen) : f.Layer.Ordinal == wish.Layer)), cancel)), cancel, needsLayers: false));
        api.MapPost("/checks/fix", async (int project, FixWish wish, HttpContext http, OpenProject open, FixFindings fix, Desk.Notices notices, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace)
            {
                return Results.NotFound();
            }
            var message = await fix.RunAsync(workspace, Bench.Who(http), wish.Check, f => wish.Everywhere || f.Layer == new LayerRef(wish.Design, wish.Layer ?? -1), cancel);
            notices.Give(project);
            return Results.Ok(new { message, checks = await ChecksAsync(open, project, cancel) });
        });
        api.MapGet("/checks", async (int project, OpenProject open, CancellationToken cancel) =>
            await ChecksAsync(open, project, cancel) is { } checks ? Results.Ok(checks) : Results.NotFound());
        api.MapPost("/checks/undo", async (int project, OpenProject open, EditStore edits, Desk.Notices notices, CancellationToken cancel) =>
        {
            var done = await edits.UndoAsync(project, cancel);
            notices.Give(project);
            return Results.Ok(new { message = done is null ? "Nothing to undo" : $"Undone: {done.Label}", checks = await ChecksAsync(open, project, cancel) });
        });
        api.MapGet("/ships", async (int project, OpenProject open, CancellationToken cancel) =>
            await open.LoadAsync(project, cancel) is { } workspace ? Results.Ok(ShipsModel.Of(workspace, await open.PlanAsync(workspace, cancel))) : Results.NotFound());
    }

    private static async Task<ChecksModel?> ChecksAsync(OpenProject open, int project, CancellationToken cancel) =>
        await open.LoadAsync(project, cancel) is { } workspace ? ChecksModel.Of(workspace, await open.PlanAsync(workspace, cancel)) : null;

    private static bool IsOn(Workspace workspace, Finding finding, int root) => workspace.FindLayer(finding.Layer.Design, finding.Layer.Ordinal) is var (_, state, layer)
        && state.Measured.ScreenOf(layer)?.Root.Ordinal == root;

    private static async Task<BenchDone> DecideByRuleAsync(Workspace workspace, ByRule wish, string who, EditLayers edit, CancellationToken cancel)
    {
        var rule = DecisionRule.All.FirstOrDefault(r => r.Id == wish.Rule);
        if (rule is null || workspace.FindScreen(wish.Design, wish.Screen) is not var (_, state, screen))
        {
            return new("There is no such rule");
        }
        var layers = rule.Among(state, state.Measured.LayersOf(screen)).Select(l => new LayerRef(wish.Design, l.Ordinal)).ToList();
        if (layers.Count == 0)
        {
            return new($"Nothing open here for “{rule.Label}”");
        }
        var line = Core.Tagging.TagLine.Parse(rule.Tags);
        await edit.ChangeAsync(workspace, who, $"{char.ToUpperInvariant(rule.Label[0])}{rule.Label[1..]} ({layers.Count})", layers,
            mark => mark with { Decision = rule.Decision, Tags = mark.Tags.Kind is null ? line.ApplyTo(mark.Tags) : mark.Tags }, cancel);
        return new($"{rule.Label}: {Words.Count(layers.Count, "layer")}");
    }

    private static async Task<BenchDone> AcceptAsync(Workspace workspace, List<LayerRef> layers, Accept wish, string who, ArrangeLayers arrange, CancellationToken cancel)
    {
        if (workspace.FindScreen(wish.Design, wish.Screen) is not var (_, state, screen))
        {
            return new("This screen is not there any more");
        }
        var picked = layers.Select(l => l.Ordinal).ToHashSet();
        var accepted = state.Suggested().Where(s => wish.Kind is null && wish.AtLeast is null
            ? picked.Contains(s.Layer.Ordinal)
            : state.Measured.ScreenOf(s.Layer) == screen && (wish.Kind is null || s.Kind == wish.Kind) && s.Strength * 100 >= (wish.AtLeast ?? 0) - 0.5).ToList();
        if (accepted.Count == 0)
        {
            return new("Nothing is suggested for it");
        }
        await arrange.AcceptAsync(workspace, who, wish.Design, accepted, cancel);
        return new($"{Words.Count(accepted.Count, "layer")} will ship");
    }

    private static string? MistakeOf(Rename wish) => wish.Suggest ? null : Change(wish).Mistake;

    private static RenameMany Change(Rename wish) => new(wish.Find ?? "", wish.Replace ?? "", wish.IsExpression, wish.Style, wish.Start);

    /// <summary>The new names of the layers meant, in the order of the drawing.</summary>
    private static Dictionary<LayerRef, string> Names(Workspace workspace, Rename wish)
    {
        var names = new Dictionary<LayerRef, string>();
        if (MistakeOf(wish) is not null || workspace.FindDesign(wish.Design) is not var (_, state))
        {
            return names;
        }
        var taken = state.Marks.Values.Select(m => m.ShipName).OfType<string>().ToHashSet(StringComparer.OrdinalIgnoreCase);
        foreach (var layer in Bench.LayersOf(workspace, wish))
        {
            var node = state.Layers[layer.Ordinal];
            // One drawing in several places has one name: that of the first of them.
            if (workspace.Repeats.SharedWith(layer, workspace.MarkOf).FirstOrDefault(names.ContainsKey, layer) is var first && names.TryGetValue(first, out var shared))
            {
                names[layer] = shared;
                continue;
            }
            // Content gives names only to what has none.
            if (wish.Suggest && (state.MarkOf(node).ShipName is not null || !state.Measured.NotNamed[node.Ordinal]))
            {
                names[layer] = state.NameOf(node);
                continue;
            }
            var kind = state.MarkOf(node).Tags.Kind ?? state.Suggested().FirstOrDefault(s => s.Layer == node)?.Kind ?? Core.Tagging.Kinds.Of(node);
            var name = wish.Suggest ? FreeName.Of(NameSuggestions.Of(state, node, kind), taken.Contains) : Change(wish).Apply(NameSuggestions.PartsOf(state, node, kind), names.Count);
            taken.Add(name);
            names[layer] = name;
        }
        return names;
    }

    private static string? NameOf(Workspace workspace, LayerRef layer) =>
        workspace.FindLayer(layer.Design, layer.Ordinal) is var (_, state, node) ? state.NameOf(node) : null;
}
