using Kalypto.Application.Opening;
using Kalypto.Core.Asking;
using Kalypto.Core.Designs;
using Kalypto.Store.Asking;

namespace Kalypto.Application.Asking;

/// <summary>Finds what is asked where its layers are now, and settles what a delivery brings.</summary>
public sealed class OpenQuestions(QuestionStore questions)
{
    /// <summary>What waits in a project, at the layers of its present drafts; of layers that are gone, at their screens or nowhere.</summary>
    public async Task<IReadOnlyList<Question>> OfAsync(Workspace workspace, CancellationToken cancel) =>
        [.. (await questions.OpenAsync(workspace.Row.Id, before: null, cancel)).Select(q => In(workspace, q)).OfType<Question>()];

    /// <summary>Settles what was asked before a delivery was begun and is in it.</summary>
    /// <param name="workspace">The project as it was built.</param>
    /// <param name="delivery">The number of the delivery.</param>
    /// <param name="begun">When it was begun.</param>
    /// <param name="delivered">The layers that its files show.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task SettleAsync(Workspace workspace, int delivery, DateTime begun, IReadOnlySet<LayerRef> delivered, CancellationToken cancel)
    {
        var settled = new List<int>();
        foreach (var row in await questions.OpenAsync(workspace.Row.Id, begun, cancel))
        {
            if (In(workspace, row) is { } question && workspace.FindDesign(row.Design) is var (_, state) && question.IsDone(state)
                && (question.IsGone || question.Kind is not (QuestionKind.Picture or QuestionKind.State) || (question.Wanted(state) is { } layer && delivered.Contains(new(row.Design, layer.Ordinal)))))
            {
                settled.Add(row.Id);
            }
        }
        if (settled.Count > 0)
        {
            await questions.SettleAsync(workspace.Row.Id, settled, delivery, cancel);
        }
    }

    private static Question? In(Workspace workspace, QuestionRow row) => workspace.FindDesign(row.Design) is not var (design, _)
        || (design.Lineages.OrdinalOf(row.Lineage) ?? design.Lineages.OrdinalOf(row.Screen)) is not { } ordinal || !Enum.TryParse<QuestionKind>(row.Kind, out var kind) ? null
        : new(row.Id, new(row.Design, ordinal), kind, row.Who) { State = row.State, Words = row.Words, Answer = row.Answer, IsGone = row.Lineage != row.Screen && design.Lineages.OrdinalOf(row.Lineage) is null };
}
