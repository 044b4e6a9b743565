namespace Kalypto.Web.Models;

/// <summary>An element that a layer can be made on a page.</summary>
public sealed record PageChoice(string Tag, string Meaning);
