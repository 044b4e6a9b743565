namespace Kalypto.Store;

/// <summary>The picture to draw of a layer.</summary>
/// <param name="X">Left edge in drawing units.</param>
/// <param name="Y">Top edge in drawing units.</param>
/// <param name="W">Width in drawing units.</param>
/// <param name="H">Height in drawing units.</param>
/// <param name="Width">Width in px.</param>
/// <param name="Height">Height in px.</param>
/// <param name="Quick">True for a quick look, false for a file that is delivered.</param>
public sealed record PictureJob(double X, double Y, double W, double H, int Width, int Height, bool Quick);
