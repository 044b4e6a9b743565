using System.Text.Json;
using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Web.Desk;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>What all edits on a bench share: load, edit, plan again, answer with the rows that changed, tell the others.</summary>
internal sealed class Bench(OpenProject open, BenchJournal journal, Notices notices, IHttpContextAccessor accessor)
{
    private const int LongestWho = 40;

    /// <summary>Who the page says is working.</summary>
    public static string Who(HttpContext http)
    {
        var who = Uri.UnescapeDataString(http.Request.Headers["X-Kalypto-Who"].ToString()).Replace("\0", "", StringComparison.Ordinal).Trim();
        return who.Length > LongestWho ? who[..LongestWho] : who;
    }

    /// <summary>The page that a request comes from; empty when it does not say.</summary>
    public static string PageOf(HttpContext? http) => http?.Request.Headers["X-Kalypto-Page"].ToString() ?? "";

    /// <summary>The layers of an edit that are there.</summary>
    public static List<LayerRef> LayersOf(Workspace workspace, BenchPlace place) => [.. (place.Layers ?? []).Distinct()
        .Where(o => workspace.FindLayer(place.Design, o) is not null).Select(o => new LayerRef(place.Design, o))];

    /// <summary>Edits and answers.</summary>
    /// <param name="project">The project.</param>
    /// <param name="place">Where the page stands.</param>
    /// <param name="edit">Edits; gives mistakes to show and a message, or nulls.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="needsLayers">True when there is nothing to do without layers.</param>
    public async Task<IResult> EditAsync(
        int project, BenchPlace place, Func<Workspace, List<LayerRef>, Task<BenchDone>> edit, CancellationToken cancel, bool needsLayers = true)
    {
        if (await open.LoadAsync(project, cancel) is not { } workspace)
        {
            return Results.NotFound(new { message = "This project is not there any more." });
        }
        var layers = LayersOf(workspace, place);
        if (needsLayers && layers.Count == 0)
        {
            return Results.NotFound(new { message = "These layers are not there any more. Load the page again." });
        }
        BenchDone done;
        try
        {
            done = await edit(workspace, layers);
        }
        catch (ArrangingRefusedException e)
        {
            return Results.Conflict(new { message = e.Message });
        }
        notices.Give(project, PageOf(accessor.HttpContext));
        return await AnswerAsync(project, place, done, cancel);
    }

    /// <summary>The bench as it is now, as far as the page does not know it.</summary>
    public async Task<IResult> AnswerAsync(int project, BenchPlace place, BenchDone done, CancellationToken cancel) =>
        await open.LoadAsync(project, cancel) is { } workspace && workspace.FindScreen(place.Design, place.Screen) is not null
            ? Results.Bytes(Answer(workspace, await PlanAsync(workspace, cancel), place, done), "application/json")
            : Results.NotFound(new { message = "This screen is not there any more." });

    /// <summary>The answer as text, for the page itself.</summary>
    public byte[] Answer(Workspace workspace, PlannedPack plan, BenchPlace place, BenchDone done) =>
        journal.Answer((workspace.Row.Id, place.Design, place.Screen), BenchModel.Of(workspace, plan, place.Design, place.Screen), place.Since, json =>
        {
            json.WritePropertyName("mistakes");
            JsonSerializer.Serialize(json, done.Mistakes ?? [], JsonSerializerOptions.Web);
            json.WriteString("done", done.Message);
            if (done.Pick is not null)
            {
                json.WritePropertyName("pick");
                JsonSerializer.Serialize(json, done.Pick, JsonSerializerOptions.Web);
            }
        });

    private async Task<PlannedPack> PlanAsync(Workspace workspace, CancellationToken cancel)
    {
        var plan = await open.PlanAsync(workspace, cancel);
        open.DrawAheadSoon(workspace, plan);
        return plan;
    }
}
