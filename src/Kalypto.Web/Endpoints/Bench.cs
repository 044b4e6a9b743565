using System.Text.Json;
using Kalypto.Application.Benches;
using Kalypto.Application.Desk;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Arranging;
using Kalypto.Core.Designs;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>What all edits on a bench share: the layers meant, the edit, and an answer with the rows that changed.</summary>
internal sealed class Bench(OpenProject open, PlanPack plans, ScreenProofs proofs, BenchJournal journal)
{
    /// <summary>The layers of an edit that are there.</summary>
    public static List<LayerRef> LayersOf(Workspace workspace, BenchPlace place) => [.. (place.Layers ?? []).Distinct()
        .Where(o => workspace.FindLayer(place.Design, o) is not null).Select(o => new LayerRef(place.Design, o))];

    /// <summary>Edits and answers.</summary>
    /// <param name="entry">Who, and where.</param>
    /// <param name="place">Where the page stands.</param>
    /// <param name="edit">Edits, and says what there is to say of it.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="needsLayers">True when there is nothing to do without layers.</param>
    public async Task<IResult> EditAsync(Entry entry, BenchPlace place, Func<List<LayerRef>, Task<(StepDone Done, BenchSaid Said)>> edit, CancellationToken cancel, bool needsLayers = true)
    {
        var layers = LayersOf(entry.Workspace, place);
        if (needsLayers && layers.Count == 0)
        {
            return Problem.NotFound("These layers are not there any more. Load the page again.");
        }
        try
        {
            var (done, said) = await edit(layers);
            return await done.OrAsync(() => AnswerAsync(entry.Workspace.Row.Id, place, said, cancel));
        }
        catch (ArrangingRefusedException e)
        {
            return Problem.Conflict(e.Message);
        }
    }

    /// <summary>The bench as it is now, as far as the page does not know it.</summary>
    public async Task<IResult> AnswerAsync(int project, BenchPlace place, BenchSaid said, CancellationToken cancel) =>
        await open.LoadAsync(project, cancel) is { } workspace ? await AnswerAsync(workspace, place, said, cancel) : Gone();

    /// <summary>The bench as it is in a project that was just loaded.</summary>
    public async Task<IResult> AnswerAsync(Workspace workspace, BenchPlace place, BenchSaid said, CancellationToken cancel)
    {
        if (workspace.FindScreen(place.Design, place.Screen) is null)
        {
            return Gone();
        }
        var plan = await plans.PlanAsync(workspace, cancel);
        plans.DrawAheadSoon(workspace, plan);
        return Results.Bytes(await AnswerAsync(workspace, plan, place, said, cancel), "application/json");
    }

    /// <summary>The answer as text, for the page itself.</summary>
    public async Task<byte[]> AnswerAsync(Workspace workspace, PlannedPack plan, BenchPlace place, BenchSaid said, CancellationToken cancel)
    {
        var proof = await ProofModel.OfAsync(proofs, workspace, place.Design, place.Screen, cancel);
        var bench = BenchModel.Of(workspace, plan, place.Design, place.Screen);
        return journal.Answer((workspace.Row.Id, place.Design, place.Screen), bench.Rows, bench.Strip, place.Since, json =>
        {
            json.WriteNumber("drawnAt", bench.DrawnAt);
            json.WriteString("howMuch", bench.HowMuch);
            Write("screen", bench.Screen);
            Write("sum", bench.Sum);
            Write("proof", proof);
            Write("mistakes", said.Mistakes ?? []);
            json.WriteString("done", said.Message);
            if (said.Pick is not null)
            {
                Write("pick", said.Pick);
            }

            void Write<T>(string name, T value)
            {
                json.WritePropertyName(name);
                JsonSerializer.Serialize(json, value, JsonSerializerOptions.Web);
            }
        });
    }

    private static IResult Gone() => Problem.NotFound("This screen is not there any more.");
}
