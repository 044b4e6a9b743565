namespace Kalypto.Web.Models;

/// <summary>A shipped layer on the board of everything that ships.</summary>
public sealed record ShipCard(
    int Design, int Layer, string Name, string Kind, string Screen, int Places, string Made, string Folder, string Size, int Files, long Bytes, string Weight,
    string Picture, string Link, string? Worst, int Findings);
