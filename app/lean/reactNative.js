/** What packages use of React Native when they ask for all of it. */
export { default as ActivityIndicator } from 'react-native-web/dist/exports/ActivityIndicator';
export { default as Dimensions } from 'react-native-web/dist/exports/Dimensions';
export { default as I18nManager } from 'react-native-web/dist/exports/I18nManager';
export { default as Image } from 'react-native-web/dist/exports/Image';
export { default as Keyboard } from 'react-native-web/dist/exports/Keyboard';
export { default as PixelRatio } from 'react-native-web/dist/exports/PixelRatio';
export { default as Platform } from 'react-native-web/dist/exports/Platform';
export { default as Pressable } from 'react-native-web/dist/exports/Pressable';
export { default as ScrollView } from 'react-native-web/dist/exports/ScrollView';
export { default as StyleSheet } from 'react-native-web/dist/exports/StyleSheet';
export { default as Text } from 'react-native-web/dist/exports/Text';
export { default as useColorScheme } from 'react-native-web/dist/exports/useColorScheme';
export { default as View } from 'react-native-web/dist/exports/View';
