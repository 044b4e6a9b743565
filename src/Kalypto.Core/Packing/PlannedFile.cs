using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Packing;

/// <summary>A picture file to come.</summary>
/// <param name="Platform">The id of its platform.</param>
/// <param name="Path">Where it goes in the pack, with slashes.</param>
/// <param name="Picture">What it shows.</param>
/// <param name="Scale">px per pt.</param>
/// <param name="Width">Width in px.</param>
/// <param name="Height">Height in px.</param>
/// <param name="Key">The fingerprint of all that goes into the file.</param>
public sealed record PlannedFile(string Platform, string Path, Picture Picture, Scale Scale, int Width, int Height, Fingerprint Key)
{
    /// <summary>The rectangle to draw, in drawing units: the crop, and the fraction that rounding up the px adds.</summary>
    public Box Source
    {
        get
        {
            var crop = Picture.Crop!.Box;
            return new Box(crop.X, crop.Y, Width / Scale.Factor, Height / Scale.Factor).Scale(Picture.DrawnAt);
        }
    }
}
