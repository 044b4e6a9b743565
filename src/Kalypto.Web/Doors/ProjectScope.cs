namespace Kalypto.Web.Doors;

/// <summary>Says of a route that it lies in a project, which is opened before the route runs.</summary>
/// <param name="Loads">True when the project is loaded with its designs; false when its number is enough.</param>
/// <param name="EvenDeleted">True for a route that also reaches a project that was deleted: to bring it back.</param>
internal sealed record ProjectScope(bool Loads = true, bool EvenDeleted = false);
