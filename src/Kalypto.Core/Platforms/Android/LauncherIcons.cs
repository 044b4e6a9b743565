using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms.Android;

/// <summary>The icon of an app on the home screen: one a density for old devices, and the two layers that newer ones mask (Adaptive icons).</summary>
internal static class LauncherIcons
{
    /// <summary>Its name among the resources.</summary>
    public const string Name = "ic_launcher";

    /// <summary>The files of the icon.</summary>
    public static IEnumerable<FileAsk> FilesOf(PictureAsk ask)
    {
        foreach (var (density, scale) in AndroidPlatform.Densities.Where(d => d.Scale.Factor >= 1))
        {
            yield return Sized.Square($"{AndroidPlatform.Resources}/mipmap-{density}/{Name}.png", scale.Pixels(48), ask, opaque: true);
            // 108 dp, of which a mask of the device keeps at least the middle 72.
            yield return Sized.Square($"{AndroidPlatform.Resources}/mipmap-{density}/{Name}_foreground.png", scale.Pixels(108), ask, share: 72 / 108.0);
        }
    }

    /// <summary>The resources that join its layers and give the colour behind it.</summary>
    public static IEnumerable<SideFile> SideFiles(string platform, IReadOnlyList<PlannedFile> icons)
    {
        if (icons.Count == 0)
        {
            yield break;
        }
        var ground = (icons[0].Picture.MakingFor(platform).Ground as Ground.Colour)?.Hex ?? "#ffffff";
        yield return new(platform, $"{AndroidPlatform.Resources}/mipmap-anydpi-v26/{Name}.xml", AdaptiveIcon);
        yield return new(platform, $"{AndroidPlatform.Resources}/values/{Name}_background.xml", () =>
            $"<?xml version=\"1.0\" encoding=\"utf-8\"?>\n<resources>\n    <color name=\"{Name}_background\">{ground.ToUpperInvariant()}</color>\n</resources>\n");
    }

    private static string AdaptiveIcon() => $"""
        <?xml version="1.0" encoding="utf-8"?>
        <adaptive-icon xmlns:android="http://schemas.android.com/apk/res/android">
            <background android:drawable="@color/{Name}_background"/>
            <foreground android:drawable="@mipmap/{Name}_foreground"/>
        </adaptive-icon>

        """.Replace("\r", "", StringComparison.Ordinal);
}
