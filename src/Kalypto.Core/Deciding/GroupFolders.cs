using System.Collections.Immutable;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;

namespace Kalypto.Core.Deciding;

/// <summary>The named groups that a layer lies in, as folders; groups that nobody named make none.</summary>
internal static class GroupFolders
{
    private const int LongestName = 40;

    // What several screens lie in is no part of any of them.
    private static bool HoldsScreens(DesignState design, Layer group) =>
        group.Children.Select(design.Measured.ScreenOf).Where(s => s is not null && s.Root != group).Distinct().Skip(1).Any();

    public static ImmutableArray<string> Of(DesignState design, Layer layer) => [.. layer.Ancestors()
        .TakeWhile(a => a.Content != LayerContent.Screen)
        .Where(a => a.Content == LayerContent.Group && !design.Measured.IsNeedlessOuter(a) && !HoldsScreens(design, a))
        .Select(a => design.OwnNameOf(a) ?? "")
        .Select(name => FileSystems.Accepted(NameWords.Join(NameWords.Split(name), "-", LongestName), "-"))
        .Where(name => name.Length > 0)
        .Reverse()];
}
