using Kalypto.Core.Designs;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Packing;

/// <summary>The rectangle of a drawing that becomes a picture, in whole points.</summary>
/// <param name="Box">The rectangle, in pt, on whole points.</param>
/// <param name="Why">Why it is what it is, for people.</param>
/// <param name="Cut">True when ink lies outside, so that something visible is cut off.</param>
public sealed record Crop(Box Box, string Why, bool Cut)
{
    private const double Tolerance = 0.01;

    /// <summary>Works out the crop. All boxes in pt.</summary>
    /// <param name="kind">Which rectangle is wanted.</param>
    /// <param name="bleed">Points to add on each side.</param>
    /// <param name="shape">The layer's own box; null when it has none.</param>
    /// <param name="ink">Every visible pixel of the layer; null when nothing is visible.</param>
    /// <param name="screen">Its screen.</param>
    /// <returns>The crop; null when there is nothing to show.</returns>
    public static Crop? Of(CropKind kind, double bleed, Box? shape, Box? ink, Box screen)
    {
        if (ink is null || (kind is CropKind.Shape or CropKind.Fixed && shape is null))
        {
            return null;
        }
        var (box, why) = kind switch
        {
            CropKind.Shape => (shape!.Value, $"{Size(shape.Value)} shape"),
            CropKind.Screen => (screen, $"the whole screen, {Size(screen)}"),
            CropKind.Fixed size => (Placed(size, shape!.Value), $"{Size(shape.Value)} drawn, {WhereIn(size.Place)} a box of {Numbers.Text(size.Width)} × {Numbers.Text(size.Height)}"),
            _ => (ink.Value, $"{Size(ink.Value)} of ink"),
        };
        if (bleed > 0)
        {
            box = box.Inflate(bleed);
            why += $", {Numbers.Text(bleed)} more on each side";
        }
        var snapped = box.SnapOutwards(Tolerance);
        // A line of no thickness still takes a point.
        snapped = new(snapped.X, snapped.Y, Math.Max(1, snapped.Width), Math.Max(1, snapped.Height));
        if (snapped != box)
        {
            why += $", on whole points {Size(snapped)}";
        }
        // What a shape or screen crop leaves out is asked for; a fixed box must hold it all.
        var cut = kind is CropKind.Fixed && snapped.Inflate(Tolerance).Intersect(ink.Value) != ink.Value;
        return new(snapped, why, cut);
    }

    /// <summary>The corner that a box put by hand is counted from: that of the shape, on whole points.</summary>
    /// <param name="shape">The layer's own box, in pt.</param>
    public static (double X, double Y) CornerOf(Box shape) => (Math.Floor(shape.X + Tolerance), Math.Floor(shape.Y + Tolerance));

    private static Box Placed(CropKind.Fixed size, Box shape)
    {
        var (left, top) = CornerOf(shape);
        var (width, height) = (Math.Ceiling(size.Width), Math.Ceiling(size.Height));
        return size.Place switch
        {
            BoxPlace.Corner corner => new(left + corner.X, top + corner.Y, width, height),
            BoxPlace.Pinned pinned => new(Along(shape.X, shape.Width, width, pinned.X), Along(shape.Y, shape.Height, height, pinned.Y), width, height),
            _ => throw new ArgumentOutOfRangeException(nameof(size)),
        };
    }

    private static double Along(double start, double length, double box, int pin) => pin switch
    {
        < 0 => Math.Floor(start + Tolerance),
        > 0 => Math.Ceiling(start + length - Tolerance) - box,
        _ => Math.Round(start + (length - box) / 2, MidpointRounding.ToPositiveInfinity),
    };

    private static string WhereIn(BoxPlace place) => place switch
    {
        BoxPlace.Corner corner => $"{Numbers.Text(-corner.X)}, {Numbers.Text(-corner.Y)} from the corner of",
        _ when place == BoxPlace.Centre => "centred in",
        _ => $"at the {place} of",
    };

    private static string Size(Box box) => $"{Numbers.Text(box.Width, 1)} × {Numbers.Text(box.Height, 1)}";
}
