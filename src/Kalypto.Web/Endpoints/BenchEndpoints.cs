using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Suggesting;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Desk;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>What the bench asks for and does with the picked layers.</summary>
internal static class BenchEndpoints
{
    private const int MostHistory = 200;
    // Pages ask again at most this often while much is drawn.
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(250);

    private sealed record Edit(int Design, int Screen, string? Since, int[]? Layers, Decision? Decision, string? Name, string? Tags, bool? Dismissed, bool? Apart)
        : BenchPlace(Design, Screen, Since, Layers);

    public static void MapBench(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects/{project:int}");
        api.MapGet("/bench/{design:int}/{screen:int}", (int project, int design, int screen, string? since, Bench bench, CancellationToken cancel) =>
            bench.AnswerAsync(project, new(design, screen, since, null), BenchDone.Nothing, cancel));
        api.MapPost("/edit", (int project, Edit edit, HttpContext http, Bench bench, EditLayers layersOf, CancellationToken cancel) =>
            bench.EditAsync(project, edit, (workspace, layers) => EditAsync(workspace, layers, edit, Bench.Who(http), layersOf, cancel), cancel));
        api.MapPost("/preview", async (int project, Edit edit, OpenProject open, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace)
            {
                return Results.NotFound();
            }
            var line = TagLine.Parse(edit.Tags ?? "", workspace.Recipes.OwnKinds);
            if (!line.Mistakes.IsEmpty)
            {
                return Results.Ok(new { mistakes = line.Mistakes.Select(m => m.Sentence), effect = "" });
            }
            return Results.Ok(new { mistakes = Array.Empty<string>(), effect = await EffectAsync(open, workspace, edit, line, cancel) });
        });
        api.MapPost("/undo", (int project, Edit edit, Bench bench, EditStore edits, CancellationToken cancel) => bench.EditAsync(project, edit, async (_, _) =>
            new(await edits.UndoAsync(project, cancel) is { } done ? $"Undone: {done.Label}" : "Nothing to undo"), cancel, needsLayers: false));
        api.MapPost("/redo", (int project, Edit edit, Bench bench, EditStore edits, CancellationToken cancel) => bench.EditAsync(project, edit, async (_, _) =>
            new(await edits.RedoAsync(project, cancel) is { } done ? $"Done again: {done.Label}" : "Nothing to do again"), cancel, needsLayers: false));
        api.MapGet("/history", async (int project, EditStore edits, CancellationToken cancel) =>
            Results.Ok((await edits.HistoryAsync(project, MostHistory, cancel)).Select(HistoryModel.Of)));
        api.MapGet("/designs/{design:int}/layers/{ordinal:int}", async (int project, int design, int ordinal, OpenProject open, CancellationToken cancel) =>
            await open.LoadAsync(project, cancel) is { } workspace && workspace.FindLayer(design, ordinal) is not null
                ? Results.Ok(LayerDetail.Of(workspace, await open.PlanAsync(workspace, cancel), new(design, ordinal))) : Results.NotFound());
        // Tells the page that something got ready or was changed: it asks again for what it shows.
        api.MapGet("/events", async (int project, string? page, long? since, HttpRequest request, HttpResponse response, Notices notices, IHostApplicationLifetime lifetime, CancellationToken cancel) =>
        {
            response.ContentType = "text/event-stream";
            response.Headers.CacheControl = "no-store";
            using var ending = CancellationTokenSource.CreateLinkedTokenSource(cancel, lifetime.ApplicationStopping);
            try
            {
                // What came since the page was made, or since it was last heard of; numbers of an earlier server say nothing.
                var known = long.TryParse(request.Headers["Last-Event-ID"], out var heard) ? heard : since ?? notices.Last;
                known = known > notices.Last ? -1 : known;
                await response.WriteAsync("retry: 2000\n\n", ending.Token);
                await response.Body.FlushAsync(ending.Token);
                while (!ending.IsCancellationRequested)
                {
                    // Taken before it is looked, so that nothing given meanwhile is missed.
                    var (next, last) = (notices.Next, notices.Last);
                    var concerns = known < 0 || notices.Concern(known, project, page ?? "");
                    known = last;
                    if (!concerns)
                    {
                        await next.WaitAsync(ending.Token);
                        continue;
                    }
                    await response.WriteAsync($"id: {known}\nevent: changed\ndata: {known}\n\n", ending.Token);
                    await response.Body.FlushAsync(ending.Token);
                    await Task.Delay(Pause, ending.Token);
                }
            }
            catch (OperationCanceledException)
            {
                // The page was left or the server stops.
            }
        });
    }

    private static async Task<BenchDone> EditAsync(Workspace workspace, List<LayerRef> layers, Edit edit, string who, EditLayers editLayers, CancellationToken cancel)
    {
        IReadOnlyList<TagMistake> mistakes = [];
        if (edit.Name is { } name)
        {
            await editLayers.NameAsync(workspace, who, layers[0], name, cancel);
        }
        if (edit.Decision is { } decision)
        {
            await editLayers.DecideAsync(workspace, who, layers, decision, cancel);
        }
        if (edit.Tags is { } tags)
        {
            mistakes = await editLayers.TagAsync(workspace, who, layers, tags, cancel);
        }
        if (edit.Dismissed is { } dismissed)
        {
            var suggested = workspace.FindDesign(edit.Design)!.Value.State.Suggested().Where(s => layers.Any(l => l.Ordinal == s.Layer.Ordinal));
            // Loose layers that were taken for one thing are refused together.
            var all = layers.Concat(suggested.SelectMany(s => s.Together).Select(l => new LayerRef(edit.Design, l.Ordinal)));
            await editLayers.ChangeAsync(workspace, who, $"{(dismissed ? "Refuse the suggestion for" : "Suggest again for")} {EditLayers.Layers(workspace, layers)}",
                all, mark => mark with { Dismissed = dismissed }, cancel);
        }
        if (edit.Apart is { } apart)
        {
            await editLayers.StandApartAsync(workspace, who, layers, apart, cancel);
        }
        return new(Mistakes: [.. mistakes.Select(m => m.Sentence)]);
    }

    /// <summary>What a line of tags would change, in words.</summary>
    private static async Task<string> EffectAsync(OpenProject open, Workspace workspace, Edit edit, TagLine line, CancellationToken cancel)
    {
        if (line.IsEmpty)
        {
            return "";
        }
        var picked = Bench.LayersOf(workspace, edit);
        var changed = workspace.With(workspace.WithRepeats(picked).ToDictionary(l => l, l => workspace.MarkOf(l) is var mark ? mark with { Tags = line.ApplyTo(mark.Tags) } : mark));
        var effect = ChangeRecipes.EffectOf(await open.PlanAsync(workspace, cancel), await open.PlanAsync(changed, cancel));
        var layers = Words.Count(picked.Count, "layer");
        return effect.Contains(": ", StringComparison.Ordinal) ? $"{layers}: {effect[(effect.IndexOf(": ", StringComparison.Ordinal) + 2)..]}" : $"{layers}: {effect}";
    }
}
