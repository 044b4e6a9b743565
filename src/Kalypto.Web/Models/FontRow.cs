using System.Collections.Immutable;
using Kalypto.Application.Opening;
using Kalypto.Core.Typography;

namespace Kalypto.Web.Models;

/// <summary>A family that texts ask for, on the page of fonts.</summary>
/// <param name="Use">The family and what it gets.</param>
/// <param name="Samples">Pictures of a few layers with text in it, with their names and where they are met.</param>
/// <param name="Screens">The screens that it shows on, with how many layers on each and where they are met.</param>
public sealed record FontRow(FontUse Use, IReadOnlyList<(string Picture, string Name, string Link)> Samples, IReadOnlyList<(string Name, int Layers, string Link)> Screens)
{
    private const int MostSamples = 3;
    private const int MostScreens = 8;

    /// <summary>How many screens more there are than are listed.</summary>
    public int MoreScreens { get; private init; }

    /// <summary>The families of a project.</summary>
    public static IReadOnlyList<FontRow> Of(Workspace workspace, ImmutableArray<FontUse> uses) => [.. uses.Select(use =>
    {
        var layers = use.Layers.Select(l => (Ref: l, At: workspace.FindLayer(l.Design, l.Ordinal)!.Value)).ToList();
        var samples = layers.Where(l => !l.At.Layer.HiddenHere).DistinctBy(l => l.At.Layer.Element.Fingerprint).Take(MostSamples)
            .Select(l => (Links.LayerPicture(workspace.Row.Id, l.Ref, $"{l.At.Row.PictureKey}.f") + "&sample=true", l.At.Layer.Name, Links.Layer(workspace, l.Ref))).ToList();
        var screens = layers.GroupBy(l => l.At.State.Measured.ScreenOf(l.At.Layer)?.Name ?? l.At.State.Name)
            .Select(g => (g.Key, g.Count(), Links.Layer(workspace, g.First().Ref))).ToList();
        return new FontRow(use, samples, [.. screens.Take(MostScreens)]) { MoreScreens = Math.Max(0, screens.Count - MostScreens) };
    })];

    /// <summary>What it gets, in words.</summary>
    public string Gets => Use.StandIn is { } other ? $"not there; {other} stands in for it" : Use.Own.IsEmpty ? "comes with Kalypto"
        : $"of the project: {string.Join(", ", Use.Own.Select(f => f.Face))}";
}
