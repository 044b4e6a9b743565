using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>The web: <c>name.png</c>, <c>name@2x.png</c>, <c>name@3x.png</c>, for <c>srcset</c>.</summary>
public sealed class Web : IPlatform
{
    /// <inheritdoc/>
    public string Id => "web";

    /// <inheritdoc/>
    public string Name => "Web";

    /// <inheritdoc/>
    public string Scales => "1·2·3x";

    /// <inheritdoc/>
    public string Join(IReadOnlyList<string> words) => NameWords.Join(words, "-", PlatformNames.Longest);

    /// <inheritdoc/>
    public string? Refusal(string name) => FileSystems.Refusal(name);

    /// <inheritdoc/>
    public string Accepted(string name) => FileSystems.Accepted(name, "-");

    /// <inheritdoc/>
    public string Place(Picture picture, string name) => $"web/{Folder(picture)}{name}.png";

    /// <inheritdoc/>
    public IEnumerable<(string Path, Scale Scale)> FilesOf(Picture picture, string name) => picture.Making.Scales
        .Select(scale => ($"web/{Folder(picture)}{name}{(scale.Factor == 1 ? "" : $"@{scale}")}.png", scale));

    /// <inheritdoc/>
    public IEnumerable<SideFile> SideFiles(IReadOnlyList<PlannedFile> files) => [];

    private static string Folder(Picture picture) => picture.Folder.Length == 0 ? "" : picture.Folder + "/";
}
