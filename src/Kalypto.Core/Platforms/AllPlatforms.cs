namespace Kalypto.Core.Platforms;

/// <summary>The platforms that Kalypto packs for.</summary>
public static class AllPlatforms
{
    /// <summary>All of them, in the order in which they are shown. A new platform is one file and one line here.</summary>
    public static IReadOnlyList<IPlatform> List { get; } = [new Web(), new Apple(), new Android(), new Windows(), new Flutter(), new Folders()];

    /// <summary>The ids of those that a new project is packed for.</summary>
    public static IReadOnlyList<string> Usual { get; } = ["web", "apple", "android"];
}
