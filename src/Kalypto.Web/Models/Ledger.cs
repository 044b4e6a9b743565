using System.Text.Json;
using Kalypto.Application.Benches;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Handover;
using Kalypto.Core.Packing;
using Kalypto.Core.Suggesting;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Models;

/// <summary>Writes the rows of one screen.</summary>
internal sealed class Ledger
{
    private const int ManyShapes = 10;
    private readonly int recipes;
    private readonly Workspace workspace;
    private readonly PlannedPack plan;
    private readonly DesignRow row;
    private readonly DesignState state;
    private readonly Screen screen;
    private readonly Box origin;
    private readonly IReadOnlyDictionary<LayerRef, Picture> pictures;
    private readonly ILookup<LayerRef, PlannedFile> files;
    private readonly ILookup<LayerRef, Finding> findings;
    private readonly Dictionary<Layer, Suggestion> suggestions;
    private readonly HashSet<Layer> unreached;
    private readonly Dictionary<Layer, int> left = [];
    private readonly Dictionary<Layer, int> depths = [];
    private readonly Dictionary<Layer, Layer?> covers = [];

    public Ledger(Workspace workspace, PlannedPack plan, DesignRow row, DesignState state, Screen screen)
    {
        (this.workspace, this.plan, this.row, this.state, this.screen) = (workspace, plan, row, state, screen);
        origin = state.ToPoints(screen.Box);
        (pictures, files, findings) = (plan.Index.Pictures, plan.Index.Files, plan.Index.Findings);
        recipes = workspace.Row.Recipes.GetHashCode(StringComparison.Ordinal);
        unreached = [.. Unreached.Of(state, screen)];
        suggestions = state.Suggested().ToDictionary(s => s.Layer);
        foreach (var layer in state.Layers.Where(l => state.MarkOf(l).Decision == Decision.Leave || l.Guide))
        {
            foreach (var around in layer.Ancestors())
            {
                left[around] = left.GetValueOrDefault(around, 17) * 31 + layer.Ordinal;
            }
        }
    }

    /// <summary>The rows in their order: each with a mark of all that it shows, so that one that is known need not be written again.</summary>
    public List<JournalRow> Rows()
    {
        var rows = new List<JournalRow>();
        foreach (var layer in state.Measured.LayersOf(screen))
        {
            if (IsSteppedOver(layer))
            {
                continue;
            }
            var parent = ParentOf(layer);
            depths[layer] = parent is null ? 0 : depths[parent] + 1;
            var around = layer.Parent;
            covers[layer] = around is null ? null
                : Progress.Covers(around, state.MarkOf) ? around : covers.GetValueOrDefault(around);
            rows.Add(new(layer.Ordinal, Signature(layer, parent), () => JsonSerializer.SerializeToUtf8Bytes(Row(layer, parent), JsonSerializerOptions.Web)));
        }
        return rows;
    }

    private bool IsSteppedOver(Layer layer) => state.Measured.IsNeedlessOuter(layer) && state.MarkOf(layer) == Mark.None;

    private Layer? CoverOf(Layer layer) => covers.TryGetValue(layer, out var cover) ? cover : Progress.CoveredBy(layer, state.MarkOf);

    /// <summary>Equal for equal rows. Strings hash anew in every process, and so does the journal that keeps these.</summary>
    private long Signature(Layer layer, Layer? parent)
    {
        var reference = new LayerRef(row.Id, layer.Ordinal);
        var mark = state.MarkOf(layer);
        var hash = new HashCode();
        var second = 17L;
        void Add(int part)
        {
            hash.Add(part);
            second = second * 1_000_003 + part;
        }
        Add(HashCode.Combine(row.DraftId, state.DrawnAt, screen.Box));
        Add(parent?.Ordinal ?? -1);
        Add(depths[layer]);
        Add(left.GetValueOrDefault(layer));
        Add(layer.Combined ? row.Arrangement.Length : 0);
        Add((int)mark.Decision + (mark.Apart ? 8 : 0) + (unreached.Contains(layer) ? 16 : 0) + (layer.Children.Count << 5));
        Add(mark.ShipName?.GetHashCode(StringComparison.Ordinal) ?? 0);
        Add(mark.Tags == Tags.Empty ? 0 : mark.Tags.GetHashCode());
        Add(recipes);
        Add(workspace.Repeats.PlacesOf(reference).Count);
        if (CoverOf(layer) is { } cover)
        {
            Add(cover.Ordinal);
            Add(state.NameOf(cover).GetHashCode(StringComparison.Ordinal));
        }
        if (state.States.TryGetValue(layer, out var set))
        {
            Add(set.Members.Length);
            Add(set.Members.First(m => m.Layer == layer).State.GetHashCode(StringComparison.Ordinal));
        }
        if (suggestions.TryGetValue(layer, out var suggestion))
        {
            Add(suggestion.Kind.GetHashCode(StringComparison.Ordinal));
            Add(suggestion.Why.GetHashCode(StringComparison.Ordinal));
            Add(suggestion.Strength.GetHashCode());
        }
        if (pictures.TryGetValue(reference, out var picture))
        {
            Add(picture.Ref.GetHashCode());
            Add(picture.Places.Length);
            Add(picture.Name.GetHashCode(StringComparison.Ordinal));
            Add(picture.ScreenName.GetHashCode(StringComparison.Ordinal));
            Add(picture.Crop?.Box.GetHashCode() ?? 0);
            Add(picture.CropIsGuess ? 1 : 0);
            Add(plan.Looks(picture.Key)?.Ink?.GetHashCode() ?? 0);
        }
        foreach (var file in files[picture?.Ref ?? reference])
        {
            Add(plan.WeightOf(file).GetHashCode());
            Add(file.Ask.Format.GetHashCode());
            Add(file.IsLinked ? 1 : 0);
        }
        foreach (var finding in findings[reference])
        {
            Add(finding.Sentence.GetHashCode(StringComparison.Ordinal));
            Add(finding.Check.GetHashCode(StringComparison.Ordinal));
            Add((int)finding.Severity);
            Add(finding.Fix is { } fix ? HashCode.Combine(fix.Label, fix.Place) : 0);
        }
        return (second << 32) ^ hash.ToHashCode();
    }

    private RowModel Row(Layer layer, Layer? parent)
    {
        var mark = state.MarkOf(layer);
        var said = state.SaidOf(layer);
        var reference = new LayerRef(row.Id, layer.Ordinal);
        var picture = pictures.GetValueOrDefault(reference);
        // What does not ship and is of no kind is not made: there is nothing to work out for most rows.
        var making = picture?.Making ?? (mark.Decision == Decision.Ship || said.Tags.Kind is not null ? state.MakingOf(layer, null) : null);
        var isMade = picture is not null && picture.Ref == reference;
        var box = isMade && picture!.Crop is { } crop ? crop.Box : state.PointsOf(layer);
        var own = files[picture?.Ref ?? reference].ToList();
        var weight = plan.WeightOf(own);
        var covered = CoverOf(layer);
        var name = state.NameOf(layer);
        return new()
        {
            Ordinal = layer.Ordinal,
            Parent = parent?.Ordinal ?? -1,
            Depth = depths[layer],
            Name = name,
            DrawnName = name == layer.Name ? null : layer.Name,
            NotNamed = mark.ShipName is null && state.Measured.NotNamed[layer.Ordinal],
            Note = NoteOf(layer, mark, picture, isMade),
            Decision = mark.Decision.ToString().ToLowerInvariant(),
            CoveredBy = covered is null ? null : state.NameOf(covered),
            HasChildren = layer.Children.Count > 0 && layer != screen.Root,
            Kind = KindOf(layer, said, making),
            KindIsSaid = said.Tags.Kind is not null,
            Tags = mark.Tags == Tags.Empty ? null : [.. mark.Tags.Words()],
            Made = MadeText(said, own),
            MadeIsSaid = said.Tags.SaysSizes || said.Tags.Formats.Count > 0,
            DrawnTags = layer.TagText,
            Size = box is { } size ? Words.Size(size) : "–",
            Box = OnScreen(box),
            Ink = OnScreen(InkOf(picture)),
            Files = own.Count,
            Bytes = weight.Bytes,
            IsEstimate = weight.IsEstimate,
            Weight = own.Count == 0 ? null : Words.Weight(weight),
            MadeWith = picture is null ? null : $"{picture.Ref.Design}.{picture.Ref.Ordinal}",
            Findings = findings.Contains(reference) ? [.. findings[reference].Select(FindingModel.Of)] : null,
            Thumb = $"{row.DraftId}.{left.GetValueOrDefault(layer)}{(layer.Combined ? $".{row.Arrangement.Length}" : "")}",
            Nobody = unreached.Contains(layer),
            Hidden = layer.HiddenHere,
            Combined = layer.Combined,
            Places = workspace.Repeats.PlacesOf(reference).Count,
            Apart = mark.Apart,
            Suggestion = mark.Decision == Decision.Open && suggestions.TryGetValue(layer, out var suggestion) ? SuggestionModel.Of(suggestion) : null,
        };

        Box? InkOf(Picture? of) => isMade && plan.Looks(of!.Key)?.Ink is { } ink ? state.ToPoints(ink) : null;
    }

    private Layer? ParentOf(Layer layer)
    {
        var parent = state.Measured.AroundOnScreen(layer);
        while (parent is not null && IsSteppedOver(parent))
        {
            parent = state.Measured.AroundOnScreen(parent);
        }
        return parent;
    }

    private double[]? OnScreen(Box? box) => box is { } b ? [Short(b.X - origin.X), Short(b.Y - origin.Y), Short(b.Width), Short(b.Height)] : null;

    private static double Short(double points) => Math.Round(points, 2);

    private static string? MadeText(Mark said, IReadOnlyList<PlannedFile> files) => said.Decision switch
    {
        Decision.Ship => said.Tags.Parts == true ? $"parts · {BenchModel.MadeAs(files)}" : BenchModel.MadeAs(files),
        Decision.Code => "built in code",
        _ => null,
    };

    private static string? KindOf(Layer layer, Mark said, Making? making) => making is not null && (said.Decision == Decision.Ship || said.Tags.Kind is not null) ? making.Kind
        : layer.Content == LayerContent.Text ? "text" : null;

    private string NoteOf(Layer layer, Mark mark, Picture? picture, bool isMade)
    {
        var notes = new List<string>();
        if (mark.ShipName is not null && mark.ShipName != layer.Name && !layer.Combined)
        {
            notes.Add($"was “{layer.Name}”");
        }
        var shapes = state.Measured.Contents[layer.Ordinal].Shapes;
        notes.Add(layer.Content switch
        {
            LayerContent.Group when layer.Combined => $"{layer.Children.Count} layers put together",
            LayerContent.Group => $"group of {layer.Children.Count}{(shapes >= ManyShapes && shapes > layer.Children.Count ? $", {shapes} shapes" : "")}",
            LayerContent.Screen => "screen",
            LayerContent.Repeat => "repeat",
            LayerContent.Image => EmbeddedPicture.Of(layer.Element) is { } p ? $"picture {p.Width}×{p.Height} px" : "picture",
            LayerContent.Text => "text",
            _ => "",
        });
        if (state.States.TryGetValue(layer, out var set))
        {
            notes.Add($"{set.Members.First(m => m.Layer == layer).State}, {set.Members.Length} state{(set.Members.Length == 1 ? "" : "s, one crop")}");
        }
        if (picture is { Places.Length: > 1 })
        {
            notes.Add(isMade ? $"in {picture.Places.Length} places, made once" : $"same as {picture.Name} on {picture.ScreenName}, made once");
        }
        else if (workspace.Repeats.PlacesOf(new(row.Id, layer.Ordinal)).Count is > 1 and var places)
        {
            notes.Add(mark.Apart ? $"one of {places} places, apart" : $"in {places} places");
        }
        if (layer.Hidden)
        {
            notes.Add(mark.Decision == Decision.Ship ? "hidden, ships all the same" : "hidden, will not come");
        }
        if (layer.Locked)
        {
            notes.Add(mark.Decision == Decision.Ship ? "locked, ships all the same" : "locked");
        }
        if (layer.Guide)
        {
            notes.Add(mark.Decision == Decision.Ship ? "guides, ship all the same" : "guides, will not come");
        }
        return string.Join(", ", notes.Where(n => n.Length > 0));
    }
}
