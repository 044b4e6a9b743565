using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;
using Kalypto.Store;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Models;

/// <summary>Everything that the bench shows.</summary>
public sealed record BenchModel(
    int Project, int Design, int Index, ScreenModel Screen, IReadOnlyList<ScreenModel> Strip, double DrawnAt, IReadOnlyList<RowModel> Rows, SumModel Sum)
{
    /// <summary>Puts the bench of one screen together.</summary>
    public static BenchModel Of(Workspace workspace, PlannedPack plan, int design, int index)
    {
        var (row, state) = workspace.Designs.First(d => d.State.Id == design);
        var screen = state.Measured.Drawing.Screens[index];
        var files = plan.Pack.Files.ToLookup(f => f.Picture.Ref);
        var findings = plan.Pack.Findings.ToLookup(f => f.Layer);
        var pictures = plan.Pack.Pictures.ToDictionary(p => p.Ref);
        var origin = state.ToPoints(screen.Box);
        var rows = state.Measured.LayersOf(screen).Select(layer =>
        {
            var mark = state.MarkOf(layer);
            var reference = new LayerRef(design, layer.Ordinal);
            var picture = pictures.GetValueOrDefault(reference);
            var making = picture?.Making ?? Making.Of(layer, mark.Tags, state.MarkOf);
            var shape = layer.ViewBox ?? state.Measured.Shapes[layer.Ordinal];
            var box = picture?.Crop?.Box ?? (shape is { } s ? state.ToPoints(s) : null);
            var own = files[reference].ToList();
            var weight = plan.WeightOf(own);
            return new RowModel(
                layer.Ordinal, layer == screen.Root ? -1 : layer.Parent?.Ordinal ?? screen.Root.Ordinal, DepthIn(layer, screen),
                mark.ShipName ?? layer.Name, layer.Name, mark.ShipName is not null,
                mark.ShipName is null && DefaultNames.IsNotNamed(layer), NoteOf(layer, mark),
                mark.Decision.ToString().ToLowerInvariant(), Progress.CoveredBy(layer, state.MarkOf)?.Name, layer.Children.Count > 0 && layer != screen.Root,
                KindOf(layer, mark, making), making.KindIsSaid, [.. mark.Tags.Words()],
                mark.Decision switch { Decision.Ship => MadeAs(making), Decision.Code => "built in code", _ => "" },
                making.ScalesAreSaid || mark.Tags.Formats.Count > 0,
                box is { } size ? Words.Size(size) : "–",
                box is { } b ? [b.X - origin.X, b.Y - origin.Y, b.Width, b.Height] : null,
                own.Count, weight.Bytes, weight.IsEstimate, own.Count == 0 ? "–" : Words.Weight(weight),
                [.. findings[reference].Select(FindingModel.Of)],
                $"/pictures/{workspace.Row.Id}/{design}/layer/{layer.Ordinal}.png?k={state.Isolate(layer).Key.Hex[..12]}",
                layer.HiddenHere);
        }).ToList();
        var strip = workspace.Designs.SelectMany(d => ScreensOf(workspace.Row.Id, d.Row, d.State)).ToList();
        return new(workspace.Row.Id, design, index, strip.First(s => s.Design == design && s.Index == index), strip, row.DrawnAt, rows, SumOf(plan));
    }

    /// <summary>The screens of a design as they stand on the strip and on the wall.</summary>
    public static IEnumerable<ScreenModel> ScreensOf(int project, DesignRow row, DesignState state) => state.Measured.Drawing.Screens.Select((screen, index) =>
    {
        var progress = Progress.Of(state.Measured.LayersOf(screen), state.MarkOf);
        var box = state.ToPoints(screen.Box);
        return new ScreenModel(row.Id, index, screen.Name, progress.Decided, progress.Total, progress.Ship, progress.Code, progress.Leave, progress.Covered,
            $"/pictures/{project}/{row.Id}/screen/{index}.png?k={row.DraftId}", Words.Size(box), [box.X, box.Y, box.Width, box.Height]);
    });

    /// <summary>The sums over the whole pack.</summary>
    public static SumModel SumOf(PlannedPack plan)
    {
        var blockers = plan.Pack.Blockers.ToList();
        return new(plan.Pack.Pictures.Length, plan.Pack.Files.Length, Words.Weight(plan.WeightOf(plan.Pack.Files)), blockers.Count,
            blockers.FirstOrDefault()?.Sentence, blockers.Count == 0 && plan.Pack.Pictures.Length > 0, plan.Pack.Files.Length - plan.FilesDrawn);
    }

    /// <summary>How the files are made, in short: <c>PNG 1·2·3x</c>.</summary>
    public static string MadeAs(Making making) => making.Formats.IsEmpty ? "nothing"
        : $"{string.Join(' ', making.Formats.Select(f => f.ToUpperInvariant()))} {string.Join('·', making.Scales.Select(s => Numbers.Text(s.Factor, 3)))}x";

    private static int DepthIn(Layer layer, Screen screen) => layer == screen.Root ? 0 : layer.Ancestors().TakeWhile(a => a != screen.Root).Count(a => a.Parent is not null || a == layer) + 1;

    private static string KindOf(Layer layer, Mark mark, Making making) => mark.Decision == Decision.Ship || making.KindIsSaid ? making.Kind
        : layer.Content == LayerContent.Text ? "text" : "";

    private static string NoteOf(Layer layer, Mark mark)
    {
        var notes = new List<string>();
        if (mark.ShipName is not null && mark.ShipName != layer.Name)
        {
            notes.Add($"was “{layer.Name}”");
        }
        notes.Add(layer.Content switch
        {
            LayerContent.Group => $"group of {layer.Children.Count}",
            LayerContent.Screen => "screen",
            LayerContent.Repeat => "repeat",
            LayerContent.Image => EmbeddedPicture.Of(layer.Element) is { } p ? $"picture {p.Width}×{p.Height} px" : "picture",
            LayerContent.Text => "text",
            _ => "",
        });
        if (layer.Hidden)
        {
            notes.Add("hidden");
        }
        if (layer.Locked)
        {
            notes.Add("locked");
        }
        if (layer.Guide)
        {
            notes.Add("guides");
        }
        return string.Join(", ", notes.Where(n => n.Length > 0));
    }
}
