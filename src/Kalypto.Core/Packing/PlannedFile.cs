using Kalypto.Core.Designs;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Packing;

/// <summary>A picture file to come.</summary>
/// <param name="Platform">The id of its platform.</param>
/// <param name="Picture">What it shows.</param>
/// <param name="Ask">Path, format and size.</param>
/// <param name="Ground">The colour under it, <c>#rrggbb</c>; null for none.</param>
/// <param name="Credit">The lines that it carries.</param>
/// <param name="Key">The fingerprint of all that goes into the file.</param>
public sealed record PlannedFile(string Platform, Picture Picture, FileAsk Ask, string? Ground, CreditLines Credit, Fingerprint Key)
{
    /// <summary>Where it goes in the pack, with slashes.</summary>
    public string Path => Ask.Path;

    /// <summary>Its format.</summary>
    public Format Format => Ask.Format.Format;

    /// <summary>px per pt.</summary>
    public Scale Scale => Ask.Scale;

    /// <summary>Width in px.</summary>
    public int Width => Ask.Width;

    /// <summary>Height in px.</summary>
    public int Height => Ask.Height;

    /// <summary>What the file is larger than its picture, px: the lines around it.</summary>
    public int Border => Ask.Patch is null ? 0 : NinePatch.Border;

    /// <summary>The rectangle to draw, in drawing units.</summary>
    public Box Source => Ask.Source.Scale(Picture.DrawnAt);

    /// <summary>True when it takes the colour of the code around it.</summary>
    public bool TakesColour => Ask.TakesColour;

    /// <summary>True for a picture that an SVG keeps in a file beside it.</summary>
    public bool IsLinked => Ask.Linked is not null;

    /// <summary>True when every browser shows the file as a picture. One with links is not, for pictures load nothing.</summary>
    public bool BrowsersShow => Format.BrowsersShow && Ask.Links.IsEmpty;

    /// <summary>Its name without the folder.</summary>
    public string FileName => Path[(Path.LastIndexOf('/') + 1)..];
}
