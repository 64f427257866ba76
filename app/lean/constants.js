/** What Expo would tell of the application; the router asks for settings that are not used. */
export default { expoConfig: null };
