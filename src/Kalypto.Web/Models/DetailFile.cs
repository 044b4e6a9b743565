namespace Kalypto.Web.Models;

/// <summary>A file in an opened row.</summary>
public sealed record DetailFile(string Path, string Scale, int Width, int Height, string Weight, string? Picture);
