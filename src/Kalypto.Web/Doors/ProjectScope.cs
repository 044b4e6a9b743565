namespace Kalypto.Web.Doors;

/// <summary>Says of a route that it lies in a project, which is opened before the route runs.</summary>
/// <param name="Loads">True when the project is loaded with its designs; false when its number is enough.</param>
internal sealed record ProjectScope(bool Loads = true);
