using Kalypto.Core.Platforms.Android;
using Kalypto.Core.Platforms.Apple;
using Kalypto.Core.Platforms.Web;

namespace Kalypto.Core.Platforms;

/// <summary>The platforms that Kalypto packs for.</summary>
public static class AllPlatforms
{
    /// <summary>All of them, in the order in which they are shown. A new platform is one file, or a folder where it grows, and one line here.</summary>
    public static IReadOnlyList<IPlatform> List { get; } = [new WebPlatform(), new ApplePlatform(), new AndroidPlatform(), new WindowsPlatform(), new FlutterPlatform(), new PagePlatform(), new FoldersPlatform()];

    /// <summary>Plain folders, where what is wanted for no platform goes.</summary>
    public static IPlatform Plain { get; } = List[^1];

    /// <summary>The ids of those that a new project is packed for.</summary>
    public static IReadOnlyList<string> Usual { get; } = ["web", "apple", "android"];
}
