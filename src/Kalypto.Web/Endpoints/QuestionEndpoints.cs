using Kalypto.Application.Handover;
using Kalypto.Core.Asking;
using Kalypto.Core.Naming;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Store.Asking;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>Asking about a delivery, answering, and what clients say of a screen. Nothing of it changes the design.</summary>
internal static class QuestionEndpoints
{
    private const int LongestWords = 1000;

    private sealed record Asking(int? Layer, double? X, double? Y, QuestionKind Kind, string? State, string? Words);

    private sealed record Verdict(bool HasAgreed);

    private sealed record Answer(string? Text);

    public static void MapQuestions(this RouteGroupBuilder project)
    {
        project.MapGet("/deliveries/{number:int}/plates/{design:int}/{screen:int}/asked", (Entry entry, int number, int design, int screen, OpenDelivery deliveries, QuestionStore store, CancellationToken cancel) =>
            OnScreenAsync(entry, number, design, screen, deliveries, store, (_, _) => Task.FromResult<StepDone?>(null), cancel));
        project.MapPost("/deliveries/{number:int}/plates/{design:int}/{screen:int}/asked", (Entry entry, int number, int design, int screen, Asking said, OpenDelivery deliveries, QuestionStore store, CancellationToken cancel) =>
            OnScreenAsync(entry, number, design, screen, deliveries, store, async (delivered, lineage) =>
            {
                var (row, state) = delivered.Workspace.FindDesign(design)!.Value;
                var words = PlainText.Clean(said.Words, LongestWords).Trim();
                var isOfLayer = said.Layer is { } ordinal && ordinal >= 0 && ordinal < state.Layers.Length;
                // Whoever only looks says it in words; a layer and, of a state, its name are needed for the rest.
                var kind = entry.Access.Role >= Role.Developer && isOfLayer ? said.Kind : QuestionKind.Words;
                if ((kind == QuestionKind.Words && words.Length == 0) || (kind == QuestionKind.State && !States.All.Contains(said.State ?? "")))
                {
                    return null;
                }
                var asked = new QuestionRow(0, number, design, lineage, isOfLayer ? row.Lineages.Of(said.Layer!.Value) : lineage, kind.ToString())
                {
                    State = kind == QuestionKind.State ? said.State! : "",
                    Words = words,
                    Point = !isOfLayer && said is { X: { } x, Y: { } y } && double.IsFinite(x) && double.IsFinite(y) ? (x, y) : null,
                };
                var layer = state.Layers[isOfLayer ? said.Layer!.Value : screen];
                return await store.AskAsync(entry.Author, asked, $"Ask about {state.NameOf(layer)}: {new Question(0, new(design, layer.Ordinal), kind, "") { State = asked.State, Words = words }.Sentence}", cancel);
            }, cancel, "Say what you ask for in a few words, or what is missing."));
        project.MapPost("/deliveries/{number:int}/plates/{design:int}/{screen:int}/asked/{question:int}/withdrawn", (Entry entry, int number, int design, int screen, int question, OpenDelivery deliveries, QuestionStore store, CancellationToken cancel) =>
            OnScreenAsync(entry, number, design, screen, deliveries, store, async (_, _) => await store.WithdrawAsync(entry.Author, question, "Take a question back", cancel), cancel));
        project.MapPost("/deliveries/{number:int}/plates/{design:int}/{screen:int}/said", (Entry entry, int number, int design, int screen, Verdict said, OpenDelivery deliveries, QuestionStore store, CancellationToken cancel) =>
            OnScreenAsync(entry, number, design, screen, deliveries, store, async (delivered, lineage) =>
                await store.SayAsync(entry.Author, number, design, lineage, said.HasAgreed, $"{(said.HasAgreed ? "Agree to" : "See")} {delivered.Workspace.FindScreen(design, screen)!.Value.Screen.Name} in delivery {number}", cancel), cancel));
        project.MapPost("/questions/{question:int}/answered", async (Entry entry, int question, Answer said, QuestionStore store, CancellationToken cancel) =>
            PlainText.Clean(said.Text, LongestWords).Trim() is not { Length: > 0 } text ? Problem.BadRequest("An answer needs words.")
                : (await store.AnswerAsync(entry.Author, question, text, $"Answer a question: “{text}”", cancel)) is var done && done.State == StepState.Nothing ? Problem.NotFound("This question is settled or taken back already.") : done.OrOk()).For(Need.Designer);
    }

    // Does something about a screen of a delivery, and answers with all that is asked about it then.
    private static async Task<IResult> OnScreenAsync(Entry entry, int number, int design, int screen, OpenDelivery deliveries, QuestionStore store, Func<Delivered, int, Task<StepDone?>> act, CancellationToken cancel, string? wrong = null)
    {
        if (await deliveries.LoadAsync(entry.Author.Project, number, cancel) is not { } delivered || delivered.Workspace.FindScreen(design, screen) is not var (row, _, _))
        {
            return Problem.NotFound("There is no such screen in this delivery.");
        }
        var done = await act(delivered, row.Lineages.Of(screen));
        return done is null && wrong is not null ? Problem.BadRequest(wrong) : done?.Refusal() ?? Results.Ok(await AskedModel.OfAsync(delivered, design, screen, store, entry.Author.Actor, entry.Access.QuestionsOf, cancel));
    }
}
