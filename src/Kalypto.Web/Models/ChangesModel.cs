using Kalypto.Application.Drafts;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Placing;
using Kalypto.Store;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>What a draft of a design changed.</summary>
/// <param name="Name">The name of the design.</param>
/// <param name="Number">The number of the draft that holds.</param>
/// <param name="Against">The number of the draft that it is compared with; null when there is only one.</param>
/// <param name="AgainstId">That draft among all drafts.</param>
/// <param name="IsNext">True when it followed that draft, so that there may be something to say.</param>
/// <param name="Same">How many layers are the same.</param>
/// <param name="Rows">Everything else, what is to be said first.</param>
/// <param name="Screens">The screens of both drafts.</param>
/// <param name="Drafts">All drafts, the newest first.</param>
public sealed record ChangesModel(
    string Name, int Number, int? Against, int? AgainstId, bool IsNext, int Same, IReadOnlyList<ChangeRow> Rows, IReadOnlyList<ChangeScreen> Screens, IReadOnlyList<DraftModel> Drafts)
{
    /// <summary>That the draft is drawn at another size than the other one, in words; null for the same.</summary>
    public string? DrawnAt { get; init; }

    /// <summary>Folders that files leave with the next delivery.</summary>
    public IReadOnlyList<FolderMove> Moves { get; init; } = [];

    private static readonly string[] Groups = ["asked", "changed", "moved", "renamed", "new", "gone", "likely"];

    /// <summary>Puts it together.</summary>
    public static ChangesModel Of(Workspace workspace, CompareDrafts.Compared compared, PlannedPack plan, IReadOnlyList<(PlannedFile File, FileChange Change)> moved)
    {
        var (row, state) = compared.Now;
        var drafts = compared.Drafts.Select(d => new DraftModel(d.Id, d.Number, d.FileName, d.BroughtInAt, d.BroughtInBy, d.Id == row.DraftId)).ToList();
        if (compared.Before is not var (beforeRow, before))
        {
            return new(row.Name, row.DraftNumber, null, null, false, compared.Changes.Same, [], [], drafts);
        }
        var isNext = compared.Drafts.Any(d => d.Id == row.DraftId && d.Follows == beforeRow.DraftId);
        var movedHere = moved.Where(m => m.File.Picture.Ref.Design == row.Id).ToList();
        var movedIn = movedHere.SelectMany(m => state.Layers[m.File.Picture.Ref.Ordinal].Ancestors()).CountBy(l => l).ToDictionary();
        var screens = new ChangedScreens(workspace.Row.Id, compared);
        var rows = compared.Changes.Changes.Select(c => RowOf(c)).OrderBy(r => Array.IndexOf(Groups, r.Group)).ToList();
        return new(row.Name, row.DraftNumber, beforeRow.DraftNumber, beforeRow.DraftId, isNext,
            compared.Changes.Same, rows, screens.All, drafts)
        {
            Moves = FolderMove.Of(movedHere.Select(m => m.Change)),
            DrawnAt = state.DrawnAt == before.DrawnAt ? null
                : $"drawn at {Numbers.Text(state.DrawnAt, 2)}x, draft {beforeRow.DraftNumber} at {Numbers.Text(before.DrawnAt, 2)}x: sizes in pt are compared",
        };

        ChangeRow RowOf(LayerChange change)
        {
            var (old, now) = (change.Old is { } o ? before.Layers[o] : null, change.New is { } n ? state.Layers[n] : null);
            var mark = now is not null && !change.IsAsked ? state.SaidOf(now) : MarkOfGone(change);
            var reference = now is null ? (LayerRef?)null : new LayerRef(row.Id, now.Ordinal);
            var files = reference is { } there ? plan.Index.Files[there].Count() : 0;
            var (screen, box) = now is not null ? screens.Place(state, now, isNow: true) : screens.Place(before, old!, isNow: false);
            return new($"{change.Old}-{change.New}", GroupOf(change), old is not null ? before.NameOf(old) : state.NameOf(now!), ChangeWords.Say(change, before, state), now?.Ordinal,
                old is null ? null : PictureOf(beforeRow, old), now is null ? null : PictureOf(row, now), screen, screen < 0 ? "on no screen" : screens.All[screen].Name,
                mark.Decision.ToString(), files > 0 ? Words.Count(files, "file") : now is not null && movedIn.GetValueOrDefault(now) is > 0 and var inside ? $"{Words.Count(inside, "file")} in it {(inside == 1 ? "moves" : "move")}" : now is null && mark.Decision == Decision.Ship ? "not delivered any more" : mark.Decision == Decision.Code ? "in code" : "no files",
                change.IsRenamed && !change.IsAsked && now is not null && mark.ShipName is not null && mark.ShipName != now.Name && mark.Decision == Decision.Ship ? now.Name : null,
                change.Grade == PairGrade.Likely, box, reference is { } link ? Links.Layer(workspace, link) : null,
                now is null && isNext && mark.Decision != Decision.Open ? beforeRow.Lineages.Of(old!.Ordinal) : null);
        }

        Mark MarkOfGone(LayerChange change) => change.Old is { } o ? before.SaidOf(before.Layers[o]) : Mark.None;

        string PictureOf(DesignRow of, Layer layer) => $"{Links.LayerPicture(workspace.Row.Id, new(of.Id, layer.Ordinal), $"{of.PictureKey}.d")}&draft={of.DraftId}";
    }

    private static string GroupOf(LayerChange change) => change switch
    {
        { IsAsked: true } => "asked",
        { Old: null } => "new",
        { New: null } => "gone",
        { IsChanged: true } => "changed",
        { IsMoved: true } => "moved",
        { IsRenamed: true } => "renamed",
        _ => "likely",
    };
}
