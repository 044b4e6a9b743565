using Kalypto.Core.Designs;
using Kalypto.Store;

namespace Kalypto.Application.Packs;

/// <summary>Tells when the picture of a screen is another, for addresses that may be kept.</summary>
public static class ScreenKey
{
    /// <summary>The key of a screen of a design.</summary>
    public static string Of(DesignRow row, Screen screen) =>
        $"{row.PictureKey}.{string.Join('.', screen.Box.Scale(10) is var b ? new[] { (int)b.X, (int)b.Y, (int)b.Width, (int)b.Height } : [])}";
}
