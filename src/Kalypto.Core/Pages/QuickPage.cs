using Kalypto.Core.Handover;

namespace Kalypto.Core.Pages;

/// <summary>A screen as a page on which everything is placed where it was drawn: for a look, not to go on from.</summary>
public static class QuickPage
{
    /// <summary>Writes it.</summary>
    public static string Write(PageScreen screen, IReadOnlyList<PageFont> fonts) => DeviceDocument.Write(screen.Name, screen.Width, screen.Height,
        screen.Parts.Select(p => new DevicePart(p.Name, p.Box) { File = p.Picture?.Source, Values = p.Kind == PartKind.Picture ? null : p.Values }), fonts.Select(f => new DeviceFont(f.Family, f.Font, f.Address)));
}
