using System.Globalization;
using Kalypto.Application.Handover;
using Kalypto.Core.Asking;
using Kalypto.Core.Designs;
using Kalypto.Store;
using Kalypto.Store.Asking;

namespace Kalypto.Web.Models;

/// <summary>What was asked about a screen, and said of it.</summary>
/// <param name="Questions">What was asked, the oldest first.</param>
/// <param name="Verdicts">Who saw it, and who agreed.</param>
/// <param name="Mine">What whoever looks said of it: <c>seen</c>, <c>agreed</c>, or nothing.</param>
public sealed record AskedModel(IReadOnlyList<AskedModel.Question> Questions, string Verdicts, string Mine)
{
    /// <summary>A question.</summary>
    /// <param name="Id">Its number.</param>
    /// <param name="Layer">The ordinal of its layer in this delivery; -1 for the screen as a whole or a point.</param>
    /// <param name="Says">Who asks what, and when.</param>
    /// <param name="State">What became of it.</param>
    /// <param name="IsSettled">True when a delivery settled it.</param>
    /// <param name="IsMine">True for one that whoever looks may take back.</param>
    /// <param name="Point">Where on the screen, in pt; null for none.</param>
    public sealed record Question(int Id, int Layer, string Says, string State, bool IsSettled, bool IsMine, double[]? Point);

    /// <summary>Reads what is asked about a screen of a delivery; for those who see one delivery alone, what was asked about that.</summary>
    public static async Task<AskedModel> OfAsync(Delivered delivered, int design, int root, QuestionStore store, Actor viewer, int? only, CancellationToken cancel)
    {
        var row = delivered.Workspace.FindDesign(design)!.Value.Row;
        var screen = row.Lineages.Of(root);
        var project = delivered.Row.ProjectId;
        var verdicts = await store.VerdictsAsync(project, delivered.Row.Number ?? 0, design, screen, cancel);
        var questions = (await store.OnScreenAsync(project, design, screen, cancel)).Where(q => (q.SettledIn is null || q.SettledIn >= delivered.Row.Number) && (only is null || q.Delivery == only))
            .Select(q => Of(q, q.Lineage == screen ? -1 : row.Lineages.OrdinalOf(q.Lineage) ?? -1, viewer));
        var mine = viewer.Id.Length == 0 ? null : verdicts.Find(v => v.Actor == viewer.Id);
        return new([.. questions], string.Join(" · ", verdicts.Select(v => $"{(v.HasAgreed ? "agreed" : "seen")} by {NameOf(v.Who)} {Date(v.At)}")), mine is null ? "" : mine.HasAgreed ? "agreed" : "seen");
    }

    private static Question Of(QuestionRow q, int layer, Actor viewer)
    {
        var asked = new Core.Asking.Question(q.Id, new LayerRef(q.Design, Math.Max(0, layer)), Enum.TryParse<QuestionKind>(q.Kind, out var kind) ? kind : QuestionKind.Words, q.Who) { State = q.State, Words = q.Words };
        var state = (q.SettledIn is { } settled ? $"settled in delivery {settled}" : q.Answer.Length == 0 ? "waits" : "") is var known && q.Answer.Length > 0
            ? $"{(q.AnsweredBy.Length > 0 ? q.AnsweredBy : "Somebody")} answered: “{q.Answer}”{(known.Length > 0 ? $" · {known}" : "")}" : known;
        return new(q.Id, layer, $"{NameOf(q.Who)}, {Date(q.AskedAt)}: {asked.Sentence}", state, q.SettledIn is not null, q.SettledIn is null && viewer.Id.Length > 0 && q.Actor == viewer.Id, q.Point is var (x, y) ? [x, y] : null);
    }

    private static string NameOf(string who) => who.Length > 0 ? who : "somebody";

    private static string Date(DateTime time) => time.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}
