using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Checking;

/// <summary>A folder that cannot be everywhere that files go: the name of a device, one that means something else to a platform, or one that differs from another in case alone.</summary>
public sealed class FolderRefused : ICheck
{
    /// <inheritdoc/>
    public string Id => "folder-refused";

    /// <inheritdoc/>
    public string Name => "folder refused";

    /// <inheritdoc/>
    public CheckText Text { get; } = new(
        "Folders with the name of a device on Windows, folders that an app for Windows takes for a language, and folders whose names differ in capital letters alone.",
        "Such a folder cannot be made there, hides what lies in it from most people, or two of them become one there and stay two elsewhere.",
        "“to:con”, “to:de” in a pack for Windows, or “to:Icons” beside “to:icons”.",
        "Take the folder that is offered, or another one.");

    /// <inheritdoc/>
    public bool IsEssential => true;

    /// <inheritdoc/>
    public IEnumerable<Finding> Run(CheckedPlan plan)
    {
        // The spelling that comes first holds for all.
        var spelled = new Dictionary<string, string>(StringComparer.OrdinalIgnoreCase);
        var made = plan.Files.Where(f => f.Picture.Making.Kind != Kinds.AppIcon).Select(f => (f.Picture.Ref, f.Platform)).ToHashSet();
        foreach (var picture in plan.Pictures.Where(p => !p.Making.Folder.IsEmpty))
        {
            var offered = string.Join('/', picture.Making.Folder.Select(name => FileSystems.Accepted(name, "-")));
            if (picture.Making.Folder.FirstOrDefault(name => FileSystems.Refusal(name) is not null) is { } device)
            {
                yield return Told(picture, $"would lie in {picture.Making.FolderPath}/, but {FileSystems.Refusal(device)}", offered);
                continue;
            }
            string? TakenFor(string name) => plan.Platforms.Where(p => made.Contains((picture.Ref, p.Id))).Select(p => p.FolderRefusal(name)).FirstOrDefault(why => why is not null);
            if (picture.Making.Folder.Select(TakenFor).FirstOrDefault(why => why is not null) is { } taken)
            {
                yield return Told(picture, $"would lie in {picture.Making.FolderPath}/, but {taken}", string.Join('/', picture.Making.Folder.Select(name => TakenFor(name) is null ? name : $"files-{name}")));
                continue;
            }
            if (!spelled.TryAdd(offered, offered) && spelled[offered] is var first && first != offered)
            {
                yield return Told(picture, $"would lie in {offered}/ and others in {first}/, which are one folder on many machines", first);
            }
        }
    }

    private Finding Told(Picture picture, string what, string offered) => new(Id, Severity.Blocker, picture.Ref,
        $"“{picture.Called}” on {picture.ScreenName} {what}.", new($"Put it into {offered}/", Tags: $"to:{offered}"));
}
