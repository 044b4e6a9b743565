namespace Kalypto.Core.Checking;

/// <summary>A drawing that stands in several places under other names or folders, which no person gave here, and ships as one file.</summary>
public sealed class OneFileForSeveral : ICheck
{
    /// <inheritdoc/>
    public string Id => "one-file-for-several-places";

    /// <inheritdoc/>
    public string Name => "one file for several places";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "The same drawing in several places, whose names differ only by what copying adds, or which lie in other groups.",
        "It is made once, under the name and in the folder of one of them; whoever looks for the others does not find them.",
        "A comet called “comet” in the header and “comet copy” in the footer.",
        "Nothing, if one file is meant. Else name the other place or give it a folder, and it ships by itself as well.");

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        foreach (var picture in plan.Pictures.Where(p => p.Places.Length > 1 && !p.NameIsTyped))
        {
            var design = plan.DesignOf(picture);
            var folder = design.MakingOf(design.Layers[picture.Ref.Ordinal], null).FolderPath;
            var others = picture.Places.Skip(1).Select(plan.At).Where(o => o.Design.OwnNameOf(o.Layer) is { } name && (name != picture.Name || o.Design.MakingOf(o.Layer, null).FolderPath != folder)).ToList();
            if (others.Count > 0)
            {
                var paths = others.Select(o => $"{(o.Design.MakingOf(o.Layer, null).FolderPath is { Length: > 0 } f ? f + "/" : "")}{o.Design.NameOf(o.Layer)}").Distinct().ToList();
                yield return new(Id, Severity.Hint, picture.Ref,
                    $"“{picture.Name}” on {picture.ScreenName} is one file for {picture.Places.Length} places; there is none for {string.Join(", ", paths.Take(3).Select(p => $"“{p}”"))}{(paths.Count > 3 ? $" and {paths.Count - 3} more" : "")}.");
            }
        }
    }
}
