using Kalypto.Core.Formats;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>Where the developers of one platform want files, and what names it takes.</summary>
public interface IPlatform
{
    /// <summary>A short name for paths and data: <c>web</c>.</summary>
    string Id { get; }

    /// <summary>The name for people.</summary>
    string Name { get; }

    /// <summary>What is made, in a few words: <c>1·2·3x</c>.</summary>
    string Scales { get; }

    /// <summary>True for a format that the platform can show.</summary>
    bool Takes(Format format);

    /// <summary>What stands between the words of a name.</summary>
    string Separator => "-";

    /// <summary>Words joined in the way of the platform.</summary>
    string Join(IReadOnlyList<string> words) => NameWords.Join(words, Separator, PlatformNames.Longest);

    /// <summary>True where the form that a picture is of another (<see cref="Picture.Twin"/>) is told by its name, false where the platform has a way of its own.</summary>
    bool NamesTwins => true;

    /// <summary>The words of a picture's name.</summary>
    IReadOnlyList<string> WordsOf(Picture picture) => this.WordsWithTwin(picture, picture.WordsFor(Id));

    /// <summary>Why the platform does not take a name, as the end of a sentence; null when it does.</summary>
    string? Refusal(string name) => FileSystems.Refusal(name);

    /// <summary>A name as near as possible to this one that the platform takes.</summary>
    string Accepted(string name) => FileSystems.Accepted(name, Separator);

    /// <summary>Why the platform does not take a folder of this name, as the end of a sentence; null when it does.</summary>
    string? FolderRefusal(string name) => null;

    /// <summary>What two pictures must not share: a path, or a name where folders do not count.</summary>
    string Place(Picture picture, string name);

    /// <summary>What a file must not share with one of another picture: its path, or its name where folders do not count.</summary>
    string Place(PlannedFile file) => file.Path;

    /// <summary>The files of a picture.</summary>
    IEnumerable<FileAsk> FilesOf(PictureAsk ask);

    /// <summary>What a developer types to show a picture; none where nobody names files in code.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="files">Its files on the platform, at least one.</param>
    /// <param name="code">How the project names things in code.</param>
    IEnumerable<TypedLine> LinesFor(Picture picture, IReadOnlyList<PlannedFile> files, CodeStyle code) => [];

    /// <summary>What goes with the pictures.</summary>
    IEnumerable<SideFile> SideFiles(PlatformPack pack);
}
