namespace Kalypto.Web.Models;

/// <summary>A screen on the strip.</summary>
public sealed record ScreenModel(int Design, int Index, string Name, int Decided, int Total, int Ship, int Code, int Leave, int Covered, string Picture, string Size, double[] Box);
