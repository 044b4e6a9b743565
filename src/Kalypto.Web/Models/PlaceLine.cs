namespace Kalypto.Web.Models;

/// <summary>One file of a look at a place.</summary>
public sealed record PlaceLine(string What, string Path);
