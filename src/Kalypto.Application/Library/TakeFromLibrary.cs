using System.Text;
using Kalypto.Application.Drafts;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Isolating;
using Kalypto.Core.Library;
using Kalypto.Core.Naming;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Store;

namespace Kalypto.Application.Library;

/// <summary>Brings a layer of the library into another project, as a design of one layer that stays linked, and brings that up to its original.</summary>
public sealed class TakeFromLibrary(LibraryStore library, BuildStore builds, OpenProject open, PlanPack plans, DesignStore designs, HoldDraft drafts, IDrawingReader reader, IRenderer renderer)
{
    /// <summary>What became of it.</summary>
    /// <param name="Design">The design in the other project; null when it was not brought in.</param>
    /// <param name="Refusal">Why not.</param>
    public sealed record Outcome(int? Design, TakeRefusal Refusal = TakeRefusal.None);

    private sealed record Original(ShippedLayer Layer, ReadDrawing Drawing, double DrawnAt, Tags Tags, string Kind, Core.Formats.CreditLines Credit, bool SaysCredit);

    /// <summary>Brings one in.</summary>
    /// <param name="into">Who wants it, and in which project.</param>
    /// <param name="design">The design of the original.</param>
    /// <param name="lineage">Which layer of that.</param>
    /// <param name="cancel">Ends the wait.</param>
    public async Task<Outcome> TakeAsync(Visit into, int design, int lineage, CancellationToken cancel)
    {
        if (await library.FindAsync(design, lineage, cancel, into.Author.Actor.Person) is not { } shipped)
        {
            return new(null, TakeRefusal.NotThere);
        }
        if (shipped.Project == into.Workspace.Row.Id)
        {
            return new(null, TakeRefusal.Own);
        }
        if ((await library.LinksAsync(into.Workspace.Row.Id, cancel)).Find(l => l.Taken.Design == design && l.Taken.Lineage == lineage) is { } known)
        {
            return new(known.Design, TakeRefusal.ThereAlready);
        }
        if (await OriginalAsync(shipped, cancel) is not { } original)
        {
            return new(null, TakeRefusal.NotKept);
        }
        // A kind that the other team does not have says nothing there.
        var isKnown = Kinds.All.Contains(original.Kind) || into.Workspace.Recipes.OwnKinds.Contains(original.Kind);
        var mark = new Mark(Decision.Ship, shipped.Name, original.Tags with { Kind = isKnown ? original.Kind : null, Credit = original.SaysCredit ? true : original.Tags.Credit });
        var name = FreeName.Of(shipped.Name, taken => into.Workspace.Designs.Any(d => string.Equals(d.Row.Name, taken, StringComparison.OrdinalIgnoreCase)), " ");
        var made = await designs.AddAsync(into.Author, new(name, original.DrawnAt, original.Drawing.FileName, original.Drawing.File, original.Drawing.Measured.Shapes)
        {
            Label = $"Take {shipped.Name} from {shipped.ProjectName}",
            Marks = new Dictionary<int, Mark> { [LayerDrawing.Ordinal] = mark },
            Taken = TakenOf(shipped),
            Credit = original.SaysCredit ? original.Credit : null,
        }, cancel);
        return made is null ? new(null, TakeRefusal.NoChange) : new(made);
    }

    /// <summary>Brings a design that was taken up to the newest delivery of its original, as its next draft.</summary>
    public async Task<Outcome> RenewAsync(Visit visit, int design, CancellationToken cancel)
    {
        if ((await library.LinksAsync(visit.Workspace.Row.Id, cancel)).Find(l => l.Design == design) is not { } link)
        {
            return new(null, TakeRefusal.NotThere);
        }
        if (!link.IsOld)
        {
            return new(design, TakeRefusal.ThereAlready);
        }
        // Whoever may not see the original any more gets nothing new of it.
        return await library.FindAsync(link.Taken.Design, link.Taken.Lineage, cancel, visit.Author.Actor.Person) is null ? new(null, TakeRefusal.NotThere)
            : await OriginalAsync(link.Original, cancel) is not { } original ? new(null, TakeRefusal.NotKept)
            : await drafts.BringAsync(visit.Author, design, original.Drawing, cancel, TakenOf(link.Original)) is null ? new(null, TakeRefusal.NoChange) : new(design);
    }

    private static Taken TakenOf(ShippedLayer layer) => new(layer.Design, layer.Lineage, layer.Newest!.Build, layer.Drawing);

    /// <summary>The original as its newest delivery had it, as a drawing of its own.</summary>
    private async Task<Original?> OriginalAsync(ShippedLayer shipped, CancellationToken cancel)
    {
        if (await builds.SaidAsync(shipped.Newest!.Build, cancel) is not { } said)
        {
            return null;
        }
        var workspace = await open.LoadAsync(said, cancel);
        if (workspace.FindDesign(shipped.Design) is not var (row, state) || row.Lineages.OrdinalOf(shipped.Lineage) is not { } ordinal || ordinal >= state.Layers.Length)
        {
            return null;
        }
        var layer = state.Layers[ordinal];
        var picture = (await plans.PlanAsync(workspace, cancel)).Pack.Pictures.FirstOrDefault(p => p.Places.Contains(new(shipped.Design, ordinal)));
        var isItself = picture is not null && picture.Ref == new LayerRef(shipped.Design, ordinal);
        if (picture?.Crop is not { } crop || (isItself ? crop.Box.Scale(state.DrawnAt) : state.Measured.ShapeOf(layer)) is not { } box)
        {
            return null;
        }
        var text = LayerDrawing.Of(state.Isolate(layer), shipped.Name, box);
        var file = Encoding.UTF8.GetBytes(text);
        var drawing = await reader.ReadAsync(file, shipped.Name, cancel);
        var shapes = await renderer.MeasureAsync(drawing, null, cancel);
        var tags = state.SaidOf(layer).Tags;
        var credit = state.Credit ?? workspace.Recipes.Credit;
        return new(shipped, new($"{NameWords.Join(NameWords.Split(shipped.Name), "-", 60)}.svg", file, new(drawing, shapes)), state.DrawnAt, tags, picture.Making.Kind, credit, picture.Making.Credit && !credit.IsEmpty);
    }
}
