namespace Kalypto.Core.Rendering;

/// <summary>How two pictures of one size differ.</summary>
/// <param name="Likeness">Structural similarity, 1 for equal.</param>
/// <param name="Share">The share of pixels that visibly differ, from 0 to 1.</param>
/// <param name="Largest">The largest difference of one pixel, 0 to 255.</param>
public sealed record PictureDifference(double Likeness, double Share, int Largest);
