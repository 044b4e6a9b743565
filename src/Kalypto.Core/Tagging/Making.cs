using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Tagging;

/// <summary>How one layer is made in the end: its recipe, with what its own tags say instead.</summary>
/// <param name="Kind">The kind that picked the recipe.</param>
/// <param name="KindIsSaid">True when somebody gave the kind; false when it follows from the layer.</param>
/// <param name="Formats">The formats made.</param>
/// <param name="Scales">The scales where a platform leaves the choice.</param>
/// <param name="ScalesAreSaid">True when the layer itself says its scales; then platforms with densities of their own keep to them too.</param>
/// <param name="Crop">Which rectangle.</param>
/// <param name="Bleed">Points added on each side.</param>
/// <param name="Folder">Folder names from the outside in; each plain.</param>
public sealed record Making(
    string Kind, bool KindIsSaid, ImmutableArray<string> Formats, ImmutableArray<Scale> Scales, bool ScalesAreSaid,
    CropKind Crop, double Bleed, ImmutableArray<string> Folder)
{
    private const int LongestFolderName = 40;

    /// <summary>Works out what holds for a layer.</summary>
    /// <param name="layer">The layer.</param>
    /// <param name="tags">Its tags.</param>
    /// <param name="mark">What was said of the layers around it.</param>
    /// <param name="isSteppedOver">True for groups that give no folder.</param>
    /// <param name="usualKind">The kind when nobody gave one; null for what follows from the layer's content.</param>
    public static Making Of(Layer layer, Tags tags, Func<Layer, Mark> mark, Func<Layer, bool>? isSteppedOver = null, string? usualKind = null)
    {
        var kind = tags.Kind ?? usualKind ?? Kinds.Of(layer);
        var recipe = Recipe.For(kind);
        return new(
            kind, tags.Kind is not null,
            tags.Formats.Count == 0 ? recipe.Formats
                : [.. recipe.Formats.Union(tags.Formats.Where(f => f.Value).Select(f => f.Key)).Except(tags.Formats.Where(f => !f.Value).Select(f => f.Key))],
            tags.Scales.IsEmpty ? recipe.Scales : tags.Scales, !tags.Scales.IsEmpty,
            tags.Crop ?? recipe.Crop, tags.Bleed ?? recipe.Bleed,
            tags.Folder is { } folder ? [.. folder.Split('/')] : [.. FoldersOfGroups(layer, mark, isSteppedOver)]);
    }

    /// <summary>The named groups that a layer lies in, as folders; groups that nobody named make none.</summary>
    private static IEnumerable<string> FoldersOfGroups(Layer layer, Func<Layer, Mark> mark, Func<Layer, bool>? isSteppedOver) => layer.Ancestors()
        .TakeWhile(a => a.Content != LayerContent.Screen)
        .Where(a => a.Content == LayerContent.Group && isSteppedOver?.Invoke(a) != true)
        .Select(a => (Name: mark(a).ShipName ?? (DefaultNames.IsNotNamed(a) ? "" : a.Name), a))
        .Select(a => NameWords.Join(NameWords.Split(a.Name), "-", LongestFolderName))
        .Where(name => name.Length > 0)
        .Reverse();
}
