using Kalypto.Application.Editing;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Naming;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Endpoints;

/// <summary>What sorts many layers at once: combinations, rules, suggestions, new names, fixes.</summary>
internal static class SortingEndpoints
{
    private sealed record ByRule(int Design, int Screen, string? Since, int[]? Layers, string Rule, string? In) : BenchPlace(Design, Screen, Since, Layers);

    private sealed record Accept(int Design, int Screen, string? Since, int[]? Layers, string? Kind, int? AtLeast) : BenchPlace(Design, Screen, Since, Layers);

    private sealed record Rename(int Design, int Screen, string? Since, int[]? Layers, string Find, string Replace, bool IsExpression, NameStyle Style, int Start, bool Suggest)
        : BenchPlace(Design, Screen, Since, Layers)
    {
        public RenameWish Wish => new(Find, Replace, IsExpression, Style, Start, Suggest);
    }

    private sealed record FixWish(int Design, int Screen, string? Since, int[]? Layers, string Check, int? Layer) : BenchPlace(Design, Screen, Since, Layers);

    public static void MapSorting(this RouteGroupBuilder project)
    {
        project.MapPost("/combine", (Entry entry, BenchPlace place, Bench bench, ArrangeLayers arrange, CancellationToken cancel) =>
            bench.EditAsync(entry, place, async layers =>
            {
                var (done, made) = await arrange.CombineAsync(entry.Visit, place.Design, [.. layers.Select(l => l.Ordinal)], Mark.None, cancel);
                return (done, new($"{layers.Count} layers are one now; it needs a name (N) and a decision", Pick: [made]));
            }, cancel));
        project.MapPost("/take-apart", (Entry entry, BenchPlace place, Bench bench, ArrangeLayers arrange, CancellationToken cancel) =>
            bench.EditAsync(entry, place, async layers =>
                (await arrange.TakeApartAsync(entry.Visit, place.Design, [.. layers.Select(l => l.Ordinal)], cancel), new("Taken apart", Pick: [])), cancel));
        project.MapPost("/rule", (Entry entry, ByRule wish, Bench bench, DecideByRule decide, CancellationToken cancel) =>
            bench.EditAsync(entry, wish, async _ =>
            {
                if (DecisionRule.All.FirstOrDefault(r => r.Id == wish.Rule) is not { } rule)
                {
                    return (new(StepState.Gone), BenchSaid.Nothing);
                }
                var (done, layers) = await decide.RunAsync(entry.Visit, wish.Design, wish.Screen, rule, Enum.TryParse<RuleScope>(wish.In, ignoreCase: true, out var scope) ? scope : RuleScope.Screen, cancel);
                return (done, new(layers == 0 ? $"Nothing open here for “{rule.Label}”" : $"{rule.Label}: {Words.Count(layers, "layer")}"));
            }, cancel, needsLayers: false));
        project.MapPost("/accept", (Entry entry, Accept wish, Bench bench, DecideByRule decide, CancellationToken cancel) =>
            bench.EditAsync(entry, wish, async layers =>
            {
                var (done, accepted) = await decide.AcceptAsync(entry.Visit, wish.Design, wish.Screen, layers, wish.Kind, wish.AtLeast, cancel);
                return (done, new(accepted == 0 ? "Nothing is suggested for it" : $"{Words.Count(accepted, "layer")} will ship"));
            }, cancel, needsLayers: false));
        project.MapPost("/rename/preview", async (Entry entry, Rename wish, RenameLayers rename, CancellationToken cancel) =>
            Results.Ok(await RenamePreview.OfAsync(rename, entry.Workspace, RenameLayers.Names(entry.Workspace, Bench.LayersOf(entry.Workspace, wish), wish.Wish), wish.Wish.Mistake, cancel)));
        project.MapPost("/rename", (Entry entry, Rename wish, Bench bench, RenameLayers rename, CancellationToken cancel) =>
            bench.EditAsync(entry, wish, async layers =>
            {
                if (wish.Wish.Mistake is { } mistake)
                {
                    return (new(StepState.Nothing), new(Mistakes: [mistake]));
                }
                var (done, renamed) = await rename.RunAsync(entry.Visit, layers, wish.Wish, cancel);
                return (done, new($"{Words.Count(renamed, "layer")} renamed"));
            }, cancel));
        project.MapPost("/fix", (Entry entry, FixWish wish, Bench bench, FixFindings fix, CancellationToken cancel) =>
            bench.EditAsync(entry, wish, async _ =>
            {
                var (done, findings) = await fix.RunAsync(entry.Visit, wish.Check,
                    f => f.Layer.Design == wish.Design && (wish.Layer is null ? IsOn(entry.Workspace, f, wish.Screen) : f.Layer.Ordinal == wish.Layer), cancel);
                return (done, new(CheckEndpoints.Fixed(findings)));
            }, cancel, needsLayers: false));
        project.MapGet("/ships", async (Entry entry, PlanPack plans, CancellationToken cancel) => Results.Ok(ShipsModel.Of(entry.Workspace, await plans.PlanAsync(entry.Workspace, cancel))));
    }

    private static bool IsOn(Workspace workspace, Finding finding, int root) => workspace.FindLayer(finding.Layer.Design, finding.Layer.Ordinal) is var (_, state, layer)
        && state.Measured.ScreenOf(layer)?.Root.Ordinal == root;
}
