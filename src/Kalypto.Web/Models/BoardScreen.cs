namespace Kalypto.Web.Models;

/// <summary>A screen on the board; boxes are left, top, width and height in drawing units.</summary>
public sealed record BoardScreen(int Root, string Name, double[] Box, string Size, string? Device, int Layers, string Link);
