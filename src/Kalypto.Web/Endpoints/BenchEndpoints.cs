using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Desk;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>What the bench asks for and does.</summary>
internal static class BenchEndpoints
{
    private sealed record Edit(int Design, int Screen, int[] Layers, Decision? Decision, string? Name, string? Tags);

    private sealed record Answer(BenchModel Bench, IReadOnlyList<string> Mistakes, string? Done);

    public static void MapBench(this IEndpointRouteBuilder app)
    {
        var api = app.Edits("/api/projects/{project:int}");

        api.MapGet("/bench/{design:int}/{screen:int}", async (int project, int design, int screen, OpenProject open, CancellationToken cancel) =>
            await AnswerAsync(open, project, design, screen, [], null, cancel));

        api.MapPost("/edit", async (int project, Edit edit, OpenProject open, EditLayers editLayers, CancellationToken cancel) =>
        {
            if (await KeysAsync(open, project, edit, cancel) is not { Count: > 0 } layers)
            {
                return Results.NotFound(new { message = "These layers are not there any more. Load the page again." });
            }
            IReadOnlyList<TagMistake> mistakes = [];
            if (edit.Name is { } name)
            {
                await editLayers.NameAsync(project, layers[0], name, cancel);
            }
            if (edit.Decision is { } decision)
            {
                await editLayers.DecideAsync(project, layers, decision, cancel);
            }
            if (edit.Tags is { } tags)
            {
                mistakes = await editLayers.TagAsync(project, layers, tags, cancel);
            }
            return await AnswerAsync(open, project, edit.Design, edit.Screen, [.. mistakes.Select(m => m.Sentence)], null, cancel);
        });

        api.MapPost("/preview", async (int project, Edit edit, OpenProject open, CancellationToken cancel) =>
        {
            var line = TagLine.Parse(edit.Tags ?? "");
            if (!line.Mistakes.IsEmpty || await open.LoadAsync(project, cancel) is not { } workspace)
            {
                return Results.Ok(new { mistakes = line.Mistakes.Select(m => m.Sentence), effect = "" });
            }
            return Results.Ok(new { mistakes = Array.Empty<string>(), effect = await EffectAsync(open, workspace, edit, line, cancel) });
        });

        api.MapPost("/undo", async (int project, Edit edit, OpenProject open, EditStore edits, CancellationToken cancel) =>
            await AnswerAsync(open, project, edit.Design, edit.Screen, [],
                await edits.UndoAsync(project, cancel) is { } done ? $"Undone: {done.Label}" : "Nothing to undo", cancel));

        api.MapPost("/redo", async (int project, Edit edit, OpenProject open, EditStore edits, CancellationToken cancel) =>
            await AnswerAsync(open, project, edit.Design, edit.Screen, [],
                await edits.RedoAsync(project, cancel) is { } done ? $"Done again: {done.Label}" : "Nothing to do again", cancel));

        api.MapGet("/designs/{design:int}/layers/{ordinal:int}", async (int project, int design, int ordinal, OpenProject open, CancellationToken cancel) =>
            await open.LoadAsync(project, cancel) is { } workspace && workspace.FindLayer(design, ordinal) is not null
                ? Results.Ok(LayerDetail.Of(workspace, await open.PlanAsync(workspace, cancel), new(design, ordinal))) : Results.NotFound());

        // Tells the page that something got ready: it asks again for what it shows.
        api.MapGet("/events", async (HttpResponse response, DrawingDesk desk, IHostApplicationLifetime lifetime, CancellationToken cancel) =>
        {
            response.ContentType = "text/event-stream";
            response.Headers.CacheControl = "no-store";
            using var ending = CancellationTokenSource.CreateLinkedTokenSource(cancel, lifetime.ApplicationStopping);
            try
            {
                await response.WriteAsync("retry: 2000\n\n", ending.Token);
                await response.Body.FlushAsync(ending.Token);
                while (!ending.IsCancellationRequested)
                {
                    await desk.Changed.WaitAsync(ending.Token);
                    await response.WriteAsync($"event: drawn\ndata: {desk.Finished}\n\n", ending.Token);
                    await response.Body.FlushAsync(ending.Token);
                    await Task.Delay(TimeSpan.FromMilliseconds(400), ending.Token);
                }
            }
            catch (OperationCanceledException)
            {
                // The page was left or the server stops.
            }
        });
    }

    private static async Task<IResult> AnswerAsync(
        OpenProject open, int project, int design, int screen, IReadOnlyList<string> mistakes, string? done, CancellationToken cancel)
    {
        if (await open.LoadAsync(project, cancel) is not { } workspace || workspace.FindScreen(design, screen) is null)
        {
            return Results.NotFound(new { message = "This screen is not there any more." });
        }
        var plan = await open.PlanAsync(workspace, cancel);
        await open.DrawAheadAsync(workspace, plan, DrawingQueue.Ahead, cancel);
        return Results.Ok(new Answer(BenchModel.Of(workspace, plan, design, screen), mistakes, done));
    }

    private static async Task<List<LayerKey>?> KeysAsync(OpenProject open, int project, Edit edit, CancellationToken cancel)
    {
        if (await open.LoadAsync(project, cancel) is not { } workspace || workspace.Designs.FirstOrDefault(d => d.State.Id == edit.Design) is not { Row: { } row, State: { } state })
        {
            return null;
        }
        return [.. edit.Layers.Distinct().Where(l => l >= 0 && l < state.Measured.Drawing.Layers.Length).Select(l => new LayerKey(row.DraftId, l))];
    }

    /// <summary>What a line of tags would change, in words.</summary>
    private static async Task<string> EffectAsync(OpenProject open, Workspace workspace, Edit edit, TagLine line, CancellationToken cancel)
    {
        if (line.IsEmpty)
        {
            return "";
        }
        var picked = edit.Layers.ToHashSet();
        var changed = workspace with
        {
            Designs = [.. workspace.Designs.Select(d => d.State.Id != edit.Design ? d : (d.Row, d.State with
            {
                Marks = picked.Select(o => (Ordinal: o, Mark: d.State.Marks.GetValueOrDefault(o) ?? Mark.None))
                    .Select(m => KeyValuePair.Create(m.Ordinal, m.Mark with { Tags = line.ApplyTo(m.Mark.Tags) }))
                    .Concat(d.State.Marks.Where(m => !picked.Contains(m.Key))).ToDictionary(),
            }))],
        };
        static IEnumerable<PlannedFile> Files(PlannedPack plan) => plan.Pack.Files;
        var before = Files(await open.PlanAsync(workspace, cancel)).Select(f => f.Path).ToHashSet();
        var after = Files(await open.PlanAsync(changed, cancel)).Select(f => f.Path).ToHashSet();
        var more = after.Except(before).Count();
        var fewer = before.Except(after).Count();
        var layers = Words.Count(picked.Count, "layer");
        return more + fewer == 0 ? $"{layers}: the same files" : $"{layers}: {Words.Count(more, "file")} more, {fewer} fewer";
    }
}
